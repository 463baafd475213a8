import { Injectable } from "@nestjs/common";
import { RateLimiterMemory, RateLimiterRes } from "rate-limiter-flexible";
import { TooManyRequestsProblem } from "../problems/problem.js";

/**
 * How often one person (or, of those who are not signed in, one address) may ask for something of a kind. Far above
 * what hands do, so that nobody in a hall meets it; far below what makes the hall wait for one device.
 */
const PACES = {
  usual: { points: 12_000, duration: 60 },
  /** What searches or reads a whole log. */
  heavy: { points: 1200, duration: 60 },
  /** What sends letters to others. */
  letters: { points: 30, duration: 3600 },
  /** What strangers may try: links, set-up, the demo. A whole hall may stand behind one address. */
  strangers: { points: 120, duration: 60 },
} as const;

export type Pace = keyof typeof PACES;

/** Counts what is asked for. In memory: a restart forgives. */
@Injectable()
export class Paces {
  private readonly limiters: Readonly<Record<Pace, RateLimiterMemory>> = {
    usual: new RateLimiterMemory(PACES.usual),
    heavy: new RateLimiterMemory(PACES.heavy),
    letters: new RateLimiterMemory(PACES.letters),
    strangers: new RateLimiterMemory(PACES.strangers),
  };

  /** Throws `TooManyRequestsProblem` for whoever asks for more than the pace. */
  async take(pace: Pace, who: string): Promise<void> {
    try {
      await this.limiters[pace].consume(who);
    } catch (error) {
      if (!(error instanceof RateLimiterRes)) throw error;
      throw new TooManyRequestsProblem(error.msBeforeNext / 1000);
    }
  }
}
