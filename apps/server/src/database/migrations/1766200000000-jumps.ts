import type { MigrationInterface, QueryRunner } from "typeorm";

const HERE = "(SELECT nullif(current_setting('mirrup.studio', true), '')::uuid)";

/** How high students jump, as it was measured. */
export class Jumps1766200000000 implements MigrationInterface {
  readonly name = "Jumps1766200000000";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE jump (
        studio_id uuid NOT NULL,
        student_id uuid NOT NULL,
        id uuid NOT NULL,
        turns smallint NOT NULL CHECK (turns BETWEEN 1 AND 8),
        height_mm smallint NOT NULL CHECK (height_mm BETWEEN 5 AND 1000),
        contact_ms smallint NOT NULL CHECK (contact_ms BETWEEN 80 AND 600),
        landings smallint CHECK (landings >= 5),
        way text NOT NULL CHECK (way IN ('taps', 'ticks', 'typed')),
        measured_at timestamptz NOT NULL,
        removed boolean NOT NULL,
        said_at timestamptz NOT NULL,
        PRIMARY KEY (studio_id, student_id, id),
        FOREIGN KEY (studio_id, student_id) REFERENCES student (studio_id, id) ON DELETE CASCADE
      )`);
    await runner.query("CREATE INDEX jump_of_student ON jump (studio_id, student_id, measured_at DESC)");
    await runner.query("ALTER TABLE jump ENABLE ROW LEVEL SECURITY");
    await runner.query(`
      CREATE POLICY studio_wall ON jump USING (studio_id = ${HERE}) WITH CHECK (studio_id = ${HERE})`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("DROP TABLE jump");
  }
}
