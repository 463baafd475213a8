import type { MigrationInterface, QueryRunner } from "typeorm";

/** What a studio teaches otherwise than the catalogue that ships, an edition a change, and the one in force. */
export class Overlay1765900000000 implements MigrationInterface {
  readonly name = "Overlay1765900000000";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE studio_overlay (
        studio_id uuid NOT NULL REFERENCES studio (id) ON DELETE CASCADE,
        id uuid NOT NULL,
        edition integer NOT NULL CHECK (edition > 0),
        entries jsonb NOT NULL,
        subjects text[] NOT NULL,
        person_id uuid REFERENCES person (id) ON DELETE SET NULL,
        made_at timestamptz NOT NULL,
        PRIMARY KEY (studio_id, id),
        UNIQUE (studio_id, edition)
      )`);
    await runner.query("ALTER TABLE studio_overlay ENABLE ROW LEVEL SECURITY");
    await runner.query(`
      CREATE POLICY studio_wall ON studio_overlay
        USING (studio_id = (SELECT nullif(current_setting('mirrup.studio', true), '')::uuid))
        WITH CHECK (studio_id = (SELECT nullif(current_setting('mirrup.studio', true), '')::uuid))`);
    await runner.query("ALTER TABLE studio ADD COLUMN overlay_id uuid");
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE studio DROP COLUMN overlay_id");
    await runner.query("DROP TABLE studio_overlay");
  }
}
