import type { MigrationInterface, QueryRunner } from "typeorm";

/** What became of a side, beside its facts. Other rules stand in the code with it: all facts are made anew on reading. */
export class Milestones1766300000000 implements MigrationInterface {
  readonly name = "Milestones1766300000000";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE standing ADD COLUMN milestones jsonb NOT NULL DEFAULT '[]'");
    await runner.query(`UPDATE standing_mark SET facts = facts || '{"milestones": []}'`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("UPDATE standing_mark SET facts = facts - 'milestones'");
    await runner.query("ALTER TABLE standing DROP COLUMN milestones");
  }
}
