import { Injectable } from "@nestjs/common";
import { hash, verify } from "@node-rs/argon2";

/** Argon2id at the strength that is recommended for sign-in (19 MiB, two passes); the package's default kind is argon2id. */
const STRENGTH = { memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;

/**
 * Hashes and verifies one password at a time: hashing is heavy by design, and twenty sign-ins at
 * once must leave a core to everybody else.
 */
@Injectable()
export class Passwords {
  private last: Promise<unknown> = Promise.resolve();
  private readonly dummy = this.queued(() => hash("nobody has this password", STRENGTH));

  hash(password: string): Promise<string> {
    return this.queued(() => hash(password, STRENGTH));
  }

  /** Verifies against a hash; against a dummy, at the same cost, where there is no such person. */
  async verify(passwordHash: string | null, password: string): Promise<boolean> {
    const against = passwordHash ?? (await this.dummy);
    const fits = await this.queued(() => verify(against, password));
    return fits && passwordHash !== null;
  }

  private queued<T>(work: () => Promise<T>): Promise<T> {
    const mine = this.last.then(work, work);
    this.last = mine.catch(() => undefined);
    return mine;
  }
}
