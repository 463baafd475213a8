import { Injectable } from "@nestjs/common";
import { RateLimiterMemory, RateLimiterRes } from "rate-limiter-flexible";
import { TooManyTriesProblem } from "../problems/problem.js";

const MINUTES_15 = 15 * 60;

/**
 * Counts tries at passwords, by account and by address. A try is counted before it is made and given back when it
 * succeeds, so that however many are made at once no more than the limit are. In memory: a restart forgives.
 */
@Injectable()
export class Tries {
  private readonly byAccount = new RateLimiterMemory({
    points: 6,
    duration: MINUTES_15,
    blockDuration: MINUTES_15,
  });
  private readonly byAddress = new RateLimiterMemory({
    points: 60,
    duration: MINUTES_15,
    blockDuration: MINUTES_15,
  });

  /** Counts a try. Throws `TooManyTriesProblem` where the account or the address has had too many. */
  async take(account: string, address: string): Promise<void> {
    try {
      // Tries at an account that has had too many tell nothing of the address: a whole hall may be behind it.
      await this.byAccount.consume(account);
      await this.byAddress.consume(address);
    } catch (error) {
      if (!(error instanceof RateLimiterRes)) throw error;
      throw new TooManyTriesProblem(error.msBeforeNext / 1000);
    }
  }

  /** Forgets the tries at an account, and the one that succeeded at its address. */
  async succeeded(account: string, address: string): Promise<void> {
    await this.byAccount.delete(account);
    await this.byAddress.reward(address);
  }
}
