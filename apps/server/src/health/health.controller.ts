import type { Health } from "@mirrup/contract";
import { healthReply } from "@mirrup/contract/schemas";
import { Controller, Get, Inject, Res } from "@nestjs/common";
import { InjectDataSource } from "@nestjs/typeorm";
import type { Response } from "express";
import type { DataSource } from "typeorm";
import { Reading } from "../door/index.js";

/** Which Mirrup this is. */
export const VERSION = Symbol("version");

@Controller("health")
export class HealthController {
  constructor(
    @InjectDataSource() private readonly database: DataSource,
    @Inject(VERSION) private readonly version: string,
  ) {}

  @Get()
  @Reading({
    says: "Whether the server and its database answer and take what is written: 200, or 503 while they do not",
    for: "public",
    reply: healthReply,
  })
  async read(@Res({ passthrough: true }) response: Response): Promise<Health> {
    const { version } = this;
    try {
      const [row] = await this.database.query<readonly { readonly only_read: string }[]>(
        "SELECT current_setting('transaction_read_only') AS only_read",
      );
      if (row?.only_read === "off") return { status: "ok", database: "up", version };
      response.status(503);
      return { status: "unavailable", database: "read-only", version };
    } catch {
      response.status(503);
      return { status: "unavailable", database: "down", version };
    }
  }
}
