import type { MigrationInterface, QueryRunner } from "typeorm";

/** That something was changed, by a number of its studio without gaps: what a device has not heard of yet. */
export class Changes1765500000000 implements MigrationInterface {
  readonly name = "Changes1765500000000";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE change_clock (
        studio_id uuid PRIMARY KEY REFERENCES studio (id) ON DELETE CASCADE,
        last bigint NOT NULL
      )`);
    await runner.query(`
      CREATE TABLE change (
        studio_id uuid NOT NULL REFERENCES studio (id) ON DELETE CASCADE,
        number bigint NOT NULL,
        at timestamptz NOT NULL,
        topics text[] NOT NULL,
        student_ids uuid[] NOT NULL,
        device text,
        PRIMARY KEY (studio_id, number)
      )`);
    await runner.query("CREATE INDEX change_by_age ON change (at)");
    for (const table of ["change_clock", "change"]) {
      await runner.query(`ALTER TABLE ${table} ENABLE ROW LEVEL SECURITY`);
      await runner.query(`
        CREATE POLICY studio_wall ON ${table}
          USING (studio_id = (SELECT nullif(current_setting('mirrup.studio', true), '')::uuid))
          WITH CHECK (studio_id = (SELECT nullif(current_setting('mirrup.studio', true), '')::uuid))`);
    }
    // Whoever was away for longer reads everything anew.
    await runner.query(`
      CREATE FUNCTION mirrup_forget_old_changes(now timestamptz) RETURNS void
        LANGUAGE sql VOLATILE SECURITY DEFINER SET search_path = public AS
        $$ DELETE FROM change WHERE at < now - interval '1 day' $$`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("DROP FUNCTION mirrup_forget_old_changes(timestamptz)");
    for (const table of ["change", "change_clock"]) await runner.query(`DROP TABLE ${table}`);
  }
}
