import { Injectable, type OnApplicationBootstrap, type OnModuleDestroy } from "@nestjs/common";
import { InjectDataSource } from "@nestjs/typeorm";
import type { DataSource } from "typeorm";

const HOUR_MS = 3_600_000;

/** Forgets, every hour, the links that nobody can use any more, what letters say of them, changes
 * long heard of, and who counted where. */
@Injectable()
export class Forgetting implements OnApplicationBootstrap, OnModuleDestroy {
  private timer: NodeJS.Timeout | undefined;

  constructor(@InjectDataSource() private readonly database: DataSource) {}

  onApplicationBootstrap(): void {
    // A database that does not answer is asked again in an hour.
    const forget = () => void this.forget(new Date()).catch(() => undefined);
    this.timer = setInterval(forget, HOUR_MS).unref();
    forget();
  }

  onModuleDestroy(): void {
    clearInterval(this.timer);
  }

  async forget(now: Date): Promise<void> {
    await this.database.query(
      "SELECT mirrup_forget_old_links($1), mirrup_forget_old_changes($1), mirrup_forget_old_presence($1)",
      [now],
    );
  }
}
