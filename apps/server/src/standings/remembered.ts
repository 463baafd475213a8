import { Injectable } from "@nestjs/common";
import type { KeptFacts } from "./facts.js";

/** As many as are in a hall at once; of some ten kilobytes each. */
const MOST = 64;

/** Whose facts, and which edition of them. */
export interface Edition {
  readonly id: string;
  readonly factsEdition: number;
}

/**
 * The facts of the students who were read last, by their edition: whoever looks at one student reads the same facts
 * for each part of the page. Only what a snapshot read may be kept, in which student and facts are of one moment: a
 * transaction that writes sees editions that may never come to be.
 */
@Injectable()
export class RememberedFacts {
  private readonly kept = new Map<string, { readonly edition: number; readonly facts: KeptFacts }>();

  of({ id, factsEdition }: Edition): KeptFacts | null {
    const kept = this.kept.get(id);
    if (kept?.edition !== factsEdition) return null;
    // Whoever was read last goes last.
    this.kept.delete(id);
    this.kept.set(id, kept);
    return kept.facts;
  }

  keep({ id, factsEdition }: Edition, facts: KeptFacts): void {
    this.kept.delete(id);
    this.kept.set(id, { edition: factsEdition, facts });
    const [oldest] = this.kept.keys();
    if (this.kept.size > MOST && oldest !== undefined) this.kept.delete(oldest);
  }
}
