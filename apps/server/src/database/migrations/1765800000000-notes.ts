import type { MigrationInterface, QueryRunner } from "typeorm";

/** When each clean try of a set was tapped, and what a coach noted to it, or to a combo. */
export class Notes1765800000000 implements MigrationInterface {
  readonly name = "Notes1765800000000";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE practice_set ADD COLUMN ticks jsonb");
    await runner.query("ALTER TABLE combo ADD COLUMN note text NOT NULL DEFAULT ''");
    await runner.query("ALTER TABLE combo ALTER COLUMN note DROP DEFAULT");
    await runner.query(`
      CREATE TABLE set_note (
        studio_id uuid NOT NULL,
        set_id uuid NOT NULL,
        text text NOT NULL,
        said_at timestamptz NOT NULL,
        PRIMARY KEY (studio_id, set_id),
        FOREIGN KEY (studio_id, set_id) REFERENCES practice_set (studio_id, id) ON DELETE CASCADE
      )`);
    await runner.query("ALTER TABLE set_note ENABLE ROW LEVEL SECURITY");
    await runner.query(`
      CREATE POLICY studio_wall ON set_note
        USING (studio_id = (SELECT nullif(current_setting('mirrup.studio', true), '')::uuid))
        WITH CHECK (studio_id = (SELECT nullif(current_setting('mirrup.studio', true), '')::uuid))`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("DROP TABLE set_note");
    await runner.query("ALTER TABLE combo DROP COLUMN note");
    await runner.query("ALTER TABLE practice_set DROP COLUMN ticks");
  }
}
