import type { ProblemError } from "@mirrup/contract";

/** A refusal that the user can act on; the filter turns it into a problem document. */
export abstract class ProblemException extends Error {
  abstract readonly code: string;
  abstract readonly status: number;
  readonly errors: readonly ProblemError[] = [];
  /** The newer state, for a change that was made from an older one. */
  readonly current?: object;
}

export class InvalidRequestProblem extends ProblemException {
  readonly code = "invalid-request";
  readonly status = 400;
  constructor(override readonly errors: readonly ProblemError[]) {
    const places = errors.length === 1 ? "one place" : `${errors.length} places`;
    super(`The request does not fit in ${places}. Nothing was stored.`);
  }
}

export class TooLargeProblem extends ProblemException {
  readonly code = "too-large";
  readonly status = 413;
  constructor() {
    super("The request holds more than is accepted at once. Send it in smaller parts.");
  }
}

/** Something of this id was added before, and is not what is asked for now. */
export class AddedAlreadyProblem extends ProblemException {
  readonly code = "added-already";
  readonly status = 409;
  constructor(override readonly current: object) {
    super("This was added already, and is not the same any more. Open it to change it.");
  }
}

export class NoStudioProblem extends ProblemException {
  readonly code = "no-studio";
  readonly status = 404;
  constructor() {
    super("This studio is gone. Choose another one of yours.");
  }
}

export class UnknownStudentProblem extends ProblemException {
  readonly code = "unknown-student";
  readonly status = 404;
  constructor() {
    super("There is no student with this id in the studio. Look for them in the list of students.");
  }
}

export class UnknownSetProblem extends ProblemException {
  readonly code = "unknown-set";
  readonly status = 404;
  constructor() {
    super("This student has no such set in the log. Look at the set before it is noted to.");
  }
}

export class DeletedStudentProblem extends ProblemException {
  readonly code = "deleted-student";
  readonly status = 410;
  constructor() {
    super("This student was deleted, and nothing of theirs is kept.");
  }
}

/** What is asked of a record that is part of another one of the same child's. */
export class KeptElsewhereProblem extends ProblemException {
  readonly code = "kept-elsewhere";
  readonly status = 409;
  constructor() {
    super(
      "This record is part of another one of the same child's. Open that one, or take the two apart first.",
    );
  }
}

export class SameRecordProblem extends ProblemException {
  readonly code = "same-record";
  readonly status = 422;
  constructor() {
    super("A record is one with itself already. Choose the other record of the same child.");
  }
}

/** One or more sets of a batch break a rule; the status is that of the first reason that all share. */
export class RefusedSetsProblem extends ProblemException {
  readonly code = "refused-sets";
  readonly status: number;
  constructor(
    override readonly errors: readonly ProblemError[],
    statuses: ReadonlySet<number>,
  ) {
    const [only = 422] = statuses;
    const sets = new Set(errors.map((error) => error.item)).size;
    super(
      `${sets === 1 ? "One set" : `${sets} sets`} of this batch cannot be stored, and nothing of the batch was. ` +
        "Take the named ones out and send the rest again.",
    );
    this.status = statuses.size === 1 ? only : 422;
  }
}

export class NotSignedInProblem extends ProblemException {
  readonly code = "not-signed-in";
  readonly status = 401;
  constructor() {
    super("You are not signed in, or were signed out. Sign in again; what this device keeps is still there.");
  }
}

export class WrongPasswordProblem extends ProblemException {
  readonly code = "wrong-password";
  readonly status = 401;
  constructor() {
    super("This e-mail and password do not go together. Check both, or ask for a new password.");
  }
}

export class TooManyTriesProblem extends ProblemException {
  readonly code = "too-many-tries";
  readonly status = 429;
  constructor(readonly retrySeconds: number) {
    super(
      `Too many tries went wrong. Wait ${Math.max(1, Math.ceil(retrySeconds / 60))} minutes, then try again.`,
    );
  }
}

/** The demo's people may be anybody: what they are stays as it is. */
export class DemoAccountProblem extends ProblemException {
  readonly code = "demo-account";
  readonly status = 409;
  constructor() {
    super("The demo club is shared by all who look around in it. Sign out, and set up a studio of your own.");
  }
}

/** One device or person asks for more than anybody's hands do. */
export class TooManyRequestsProblem extends ProblemException {
  readonly code = "too-many-requests";
  readonly status = 429;
  constructor(readonly retrySeconds: number) {
    super("This was asked for too often. Nothing was stored; wait a little, then try again.");
  }
}

export class ForbiddenProblem extends ProblemException {
  readonly code = "not-allowed";
  readonly status = 403;
  constructor(least: string) {
    super(
      `This is for ${least === "owner" ? "an owner" : "a coach or an owner"} of the studio. Ask one of them.`,
    );
  }
}

export class OtherSiteProblem extends ProblemException {
  readonly code = "other-site";
  readonly status = 403;
  constructor() {
    super("This request was sent by another site. Open Mirrup itself and do it there.");
  }
}

export class NoStudioNamedProblem extends ProblemException {
  readonly code = "no-studio-named";
  readonly status = 400;
  constructor() {
    super("The request does not say which studio it is for. Name it in the header x-mirrup-studio.");
  }
}

export class UnknownStudioProblem extends ProblemException {
  readonly code = "unknown-studio";
  readonly status = 404;
  constructor() {
    super("There is no such studio, or you do not belong to it. Choose one of yours.");
  }
}

export class UnknownPersonProblem extends ProblemException {
  readonly code = "unknown-person";
  readonly status = 404;
  constructor() {
    super("There is no such person in this studio.");
  }
}

export class BadLinkProblem extends ProblemException {
  readonly code = "bad-link";
  readonly status = 410;
  constructor() {
    super("This link has been used, has expired, or is not one of ours. Ask for a new one.");
  }
}

export class AlreadySetUpProblem extends ProblemException {
  readonly code = "already-set-up";
  readonly status = 404;
  constructor() {
    super("Mirrup has been set up already. Sign in instead.");
  }
}

export class LastOwnerProblem extends ProblemException {
  readonly code = "last-owner";
  readonly status = 409;
  constructor() {
    super("A studio needs an owner, and this is the last one. Make someone else an owner first.");
  }
}

/** Fields that fit by themselves and still cannot stand. */
export class RefusedFieldsProblem extends ProblemException {
  readonly code = "refused-fields";
  readonly status = 422;
  constructor(override readonly errors: readonly ProblemError[]) {
    super(`${errors.map((error) => error.message).join(" ")} Nothing was stored.`);
  }
}

export class StaleChangeProblem extends ProblemException {
  readonly code = "stale-change";
  readonly status = 409;
  constructor(override readonly current: object) {
    super(
      "Somebody else changed this in the meantime. Nothing was stored; what you typed is still here. " +
        "Look at the newer state, then save again.",
    );
  }
}

export class UnknownEditionProblem extends ProblemException {
  readonly code = "unknown-edition";
  readonly status = 404;
  constructor() {
    super("The studio's skills were never changed so often. Look for it in what was changed last.");
  }
}

export class UnknownGroupProblem extends ProblemException {
  readonly code = "unknown-group";
  readonly status = 404;
  constructor() {
    super("There is no such group in the studio. Look for it in the list of groups.");
  }
}

export class UnknownComboProblem extends ProblemException {
  readonly code = "unknown-combo";
  readonly status = 404;
  constructor() {
    super("There is no such combo in the studio. Look for it on the shelf of combos.");
  }
}

export class UnknownProgrammeProblem extends ProblemException {
  readonly code = "unknown-programme";
  readonly status = 404;
  constructor() {
    super("There is no such programme in the studio. Look for it among the programmes.");
  }
}

export class BadComboLinkProblem extends ProblemException {
  readonly code = "bad-combo-link";
  readonly status = 410;
  constructor() {
    super("This link was withdrawn, or is not one of ours. Ask whoever sent it for a new one.");
  }
}

export class BadHomeLinkProblem extends ProblemException {
  readonly code = "bad-home-link";
  readonly status = 410;
  constructor() {
    super("This link has ended, or is not one of ours. Ask your instructor for a new one.");
  }
}

export class BadArchiveProblem extends ProblemException {
  readonly code = "bad-archive";
  readonly status = 422;
  constructor(why: string) {
    super(`The archive was not read, and nothing of it was kept. ${why}`);
  }
}

export class NotEmptyProblem extends ProblemException {
  readonly code = "not-empty";
  readonly status = 409;
  constructor() {
    super("This studio has something of its own already. Make a new one, and read the archive there.");
  }
}

export class EnoughForTodayProblem extends ProblemException {
  readonly code = "enough-for-today";
  readonly status = 422;
  constructor() {
    super("That is more than anybody practises in a day. Rest, and send what is new tomorrow.");
  }
}

export class UnknownLessonProblem extends ProblemException {
  readonly code = "unknown-lesson";
  readonly status = 404;
  constructor() {
    super("There is no such lesson in the studio; it may have been taken off. Look for it on Today.");
  }
}

/** One or more decisions of a batch break a rule. */
export class RefusedDecisionsProblem extends ProblemException {
  readonly code = "refused-decisions";
  constructor(
    override readonly errors: readonly ProblemError[],
    readonly status: number,
  ) {
    super(`${errors.map((error) => error.message).join(" ")} Nothing was stored.`);
  }
}
