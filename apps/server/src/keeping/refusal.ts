/** Why something is not done, as a sentence for whoever keeps this Mirrup; nothing was changed. */
export class KeepingRefusal extends Error {}
