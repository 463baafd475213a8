import { Injectable } from "@nestjs/common";
import { RateLimiterMemory, RateLimiterRes } from "rate-limiter-flexible";
import { TooManyTriesProblem } from "../problems/problem.js";

const MINUTES_15 = 15 * 60;

/** Counts failed tries to sign in, by account and by address. In memory: a restart forgives. */
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

  /** Throws `TooManyTriesProblem` while the account or the address has failed too often. */
  async check(account: string, address: string): Promise<void> {
    const counts = await Promise.all([this.byAccount.get(account), this.byAddress.get(address)]);
    const limits = [this.byAccount.points, this.byAddress.points];
    counts.forEach((count, index) => {
      if (count !== null && count.consumedPoints >= (limits[index] ?? 0))
        throw new TooManyTriesProblem(count.msBeforeNext / 1000);
    });
  }

  async failed(account: string, address: string): Promise<void> {
    const consume = async (limiter: RateLimiterMemory, key: string) => {
      try {
        await limiter.consume(key);
      } catch (error) {
        // Past the limit: the next check tells.
        if (!(error instanceof RateLimiterRes)) throw error;
      }
    };
    await Promise.all([consume(this.byAccount, account), consume(this.byAddress, address)]);
  }

  async succeeded(account: string): Promise<void> {
    await this.byAccount.delete(account);
  }
}
