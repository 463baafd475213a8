import type { MigrationInterface, QueryRunner } from "typeorm";

/** Landings by lesson, so that the week's load is read without the log. The rebuild at start fills them. */
export class Loads1764400000000 implements MigrationInterface {
  readonly name = "Loads1764400000000";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE lesson_load (
        studio_id uuid NOT NULL,
        student_id uuid NOT NULL,
        day date NOT NULL,
        landings double precision NOT NULL,
        estimated double precision NOT NULL,
        multiples integer NOT NULL,
        PRIMARY KEY (studio_id, student_id, day),
        FOREIGN KEY (studio_id, student_id) REFERENCES student (studio_id, id) ON DELETE CASCADE
      )`);
    const here = "nullif(current_setting('mirrup.studio', true), '')::uuid";
    await runner.query("ALTER TABLE lesson_load ENABLE ROW LEVEL SECURITY");
    await runner.query(`
      CREATE POLICY studio_wall ON lesson_load
        USING (studio_id = (SELECT ${here})) WITH CHECK (studio_id = (SELECT ${here}))`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("DROP TABLE lesson_load");
  }
}
