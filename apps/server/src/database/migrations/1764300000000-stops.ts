import type { MigrationInterface, QueryRunner } from "typeorm";

/** That a student stopped early on a day, and nothing about why: no diagnosis is kept. */
export class Stops1764300000000 implements MigrationInterface {
  readonly name = "Stops1764300000000";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE early_stop (
        studio_id uuid NOT NULL,
        student_id uuid NOT NULL,
        day date NOT NULL,
        PRIMARY KEY (studio_id, student_id, day),
        FOREIGN KEY (studio_id, student_id) REFERENCES student (studio_id, id) ON DELETE CASCADE
      )`);
    const here = "nullif(current_setting('mirrup.studio', true), '')::uuid";
    await runner.query("ALTER TABLE early_stop ENABLE ROW LEVEL SECURITY");
    await runner.query(`
      CREATE POLICY studio_wall ON early_stop
        USING (studio_id = (SELECT ${here})) WITH CHECK (studio_id = (SELECT ${here}))`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("DROP TABLE early_stop");
  }
}
