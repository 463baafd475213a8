import type { MigrationInterface, QueryRunner } from "typeorm";

const HERE = "(SELECT nullif(current_setting('mirrup.studio', true), '')::uuid)";

/** Links by which students see their own practice and send what they did. */
export class Home1766100000000 implements MigrationInterface {
  readonly name = "Home1766100000000";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE home_link (
        studio_id uuid NOT NULL,
        student_id uuid NOT NULL,
        token_hash text NOT NULL UNIQUE,
        agreed boolean NOT NULL,
        made_at timestamptz NOT NULL,
        expires_at timestamptz NOT NULL CHECK (expires_at > made_at),
        PRIMARY KEY (studio_id, student_id),
        FOREIGN KEY (studio_id, student_id) REFERENCES student (studio_id, id) ON DELETE CASCADE
      )`);
    await runner.query("ALTER TABLE home_link ENABLE ROW LEVEL SECURITY");
    await runner.query(`
      CREATE POLICY studio_wall ON home_link USING (studio_id = ${HERE}) WITH CHECK (studio_id = ${HERE})`);
    // Who has a link is of no studio; who knows the secret is told which one, and nothing else.
    await runner.query(`
      CREATE FUNCTION mirrup_studio_of_home_link(hash text) RETURNS uuid
        LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS
        $$ SELECT studio_id FROM home_link WHERE token_hash = hash AND expires_at > now() $$`);
    await runner.query(`
      CREATE INDEX practice_set_alone ON practice_set (studio_id, student_id, received_at)
        WHERE counted_by = 'student'`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("DROP INDEX practice_set_alone");
    await runner.query("DROP FUNCTION mirrup_studio_of_home_link(text)");
    await runner.query("DROP TABLE home_link");
  }
}
