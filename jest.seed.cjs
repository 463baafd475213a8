const fc = require("fast-check");

/** One seed for all property tests, so that a run tells of the code alone; MIRRUP_SEED looks elsewhere. */
fc.configureGlobal({ seed: Number(process.env.MIRRUP_SEED ?? 20261125) });
