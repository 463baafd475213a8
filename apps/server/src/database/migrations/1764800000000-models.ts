import type { MigrationInterface, QueryRunner } from "typeorm";

/** What a studio's own log says of how its students learn, of how many sets, and when that was worked out. */
export class Models1764800000000 implements MigrationInterface {
  readonly name = "Models1764800000000";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE studio
        ADD COLUMN model jsonb,
        ADD COLUMN model_sets integer NOT NULL DEFAULT 0,
        ADD COLUMN model_at timestamptz`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE studio DROP COLUMN model, DROP COLUMN model_sets, DROP COLUMN model_at");
  }
}
