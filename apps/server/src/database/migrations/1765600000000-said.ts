import type { MigrationInterface, QueryRunner } from "typeorm";

/** When the last word on each thing of a hall was said: an older one that comes late changes nothing. */
export class Said1765600000000 implements MigrationInterface {
  readonly name = "Said1765600000000";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE lesson_student
        ADD COLUMN attendance_said_at timestamptz,
        ADD COLUMN own_rope_said_at timestamptz`);
    await runner.query("ALTER TABLE lesson ADD COLUMN finished_said_at timestamptz");
    await runner.query(`
      ALTER TABLE early_stop
        ADD COLUMN stops boolean NOT NULL DEFAULT true,
        ADD COLUMN said_at timestamptz NOT NULL DEFAULT '-infinity'`);
    for (const column of ["stops", "said_at"])
      await runner.query(`ALTER TABLE early_stop ALTER COLUMN ${column} DROP DEFAULT`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("DELETE FROM early_stop WHERE NOT stops");
    await runner.query("ALTER TABLE early_stop DROP COLUMN stops, DROP COLUMN said_at");
    await runner.query("ALTER TABLE lesson DROP COLUMN finished_said_at");
    await runner.query(
      "ALTER TABLE lesson_student DROP COLUMN attendance_said_at, DROP COLUMN own_rope_said_at",
    );
  }
}
