import type { Health } from "@mirrup/contract";
import { healthReply } from "@mirrup/contract/schemas";
import { Controller, Get, Res } from "@nestjs/common";
import { InjectDataSource } from "@nestjs/typeorm";
import type { Response } from "express";
import type { DataSource } from "typeorm";
import { Public } from "../access/access.js";
import { Reply } from "../problems/reply.js";

@Controller("health")
export class HealthController {
  constructor(@InjectDataSource() private readonly database: DataSource) {}

  /** Whether the server and its database answer: 200, or 503 while the database does not. */
  @Get()
  @Public()
  @Reply(healthReply)
  async read(@Res({ passthrough: true }) response: Response): Promise<Health> {
    try {
      await this.database.query("SELECT 1");
      return { status: "ok", database: "up" };
    } catch {
      response.status(503);
      return { status: "unavailable", database: "down" };
    }
  }
}
