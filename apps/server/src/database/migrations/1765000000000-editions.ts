import type { MigrationInterface, QueryRunner } from "typeorm";

/** Counts how often a student's facts were written, so that what was read of them can be told from what is now. */
export class Editions1765000000000 implements MigrationInterface {
  readonly name = "Editions1765000000000";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE student ADD COLUMN facts_edition integer NOT NULL DEFAULT 0");
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE student DROP COLUMN facts_edition");
  }
}
