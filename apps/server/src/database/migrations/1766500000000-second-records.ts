import type { MigrationInterface, QueryRunner } from "typeorm";

const HERE = "(SELECT nullif(current_setting('mirrup.studio', true), '')::uuid)";
/** What is about one student and goes with them from one record to another. */
const TABLES = ["practice_set", "decision", "jump", "lesson_student"] as const;

/**
 * A second record of the same child: which record it is part of, and of each line, of which record it was said. The log
 * is never changed by the server's role; which child a line is about is set right by two functions of the owner's, in
 * the studio of the transaction alone.
 */
export class SecondRecords1766500000000 implements MigrationInterface {
  readonly name = "SecondRecords1766500000000";

  async up(runner: QueryRunner): Promise<void> {
    // Read back from an archive, a second record can come before the one that it is part of.
    await runner.query(`
      ALTER TABLE student ADD COLUMN same_as uuid
          CHECK (same_as IS NULL OR (same_as <> id AND archived_at IS NOT NULL)),
        ADD FOREIGN KEY (studio_id, same_as) REFERENCES student (studio_id, id)
          ON DELETE CASCADE DEFERRABLE INITIALLY DEFERRED`);
    await runner.query(
      "CREATE INDEX student_same_as ON student (studio_id, same_as) WHERE same_as IS NOT NULL",
    );
    for (const table of TABLES) {
      await runner.query(`
        ALTER TABLE ${table} ADD COLUMN said_of uuid,
          ADD FOREIGN KEY (studio_id, said_of) REFERENCES student (studio_id, id)
            ON DELETE SET NULL (said_of) DEFERRABLE INITIALLY DEFERRED`);
      await runner.query(
        `CREATE INDEX ${table}_said_of ON ${table} (studio_id, said_of) WHERE said_of IS NOT NULL`,
      );
    }
    const brought = TABLES.map(
      (table) => `UPDATE ${table} SET student_id = kept, said_of = coalesce(said_of, second)
        WHERE studio_id = ${HERE} AND student_id = second;`,
    );
    await runner.query(`
      CREATE FUNCTION mirrup_bring_together(kept uuid, second uuid) RETURNS void
        LANGUAGE sql SECURITY DEFINER SET search_path = public AS $$
        UPDATE lesson_student own SET attendance = other.attendance, attendance_said_at = other.attendance_said_at
          FROM lesson_student other
          WHERE own.studio_id = ${HERE} AND own.student_id = kept AND other.studio_id = own.studio_id
            AND other.lesson_id = own.lesson_id AND other.student_id = second
            AND other.attendance_said_at > coalesce(own.attendance_said_at, '-infinity');
        DELETE FROM lesson_student WHERE studio_id = ${HERE} AND student_id = second
          AND lesson_id IN (SELECT lesson_id FROM lesson_student WHERE studio_id = ${HERE} AND student_id = kept);
        ${brought.join("\n")} $$`);
    // What was said since of what goes back goes with it: first of its sets and decisions, then of those.
    const about = `UPDATE decision SET student_id = second
      WHERE studio_id = ${HERE} AND student_id = kept AND decision ->> 'target' IN
        (SELECT id::text FROM practice_set WHERE studio_id = ${HERE} AND student_id = second
         UNION ALL SELECT id::text FROM decision WHERE studio_id = ${HERE} AND student_id = second);`;
    const apart = TABLES.map(
      (table) => `UPDATE ${table} SET student_id = second, said_of = NULL
        WHERE studio_id = ${HERE} AND said_of = second;`,
    );
    await runner.query(`
      CREATE FUNCTION mirrup_take_apart(kept uuid, second uuid) RETURNS void
        LANGUAGE sql SECURITY DEFINER SET search_path = public AS $$
        ${[...apart, about, about].join("\n")} $$`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("DROP FUNCTION mirrup_take_apart(uuid, uuid)");
    await runner.query("DROP FUNCTION mirrup_bring_together(uuid, uuid)");
    for (const table of TABLES) await runner.query(`ALTER TABLE ${table} DROP COLUMN said_of`);
    await runner.query("ALTER TABLE student DROP COLUMN same_as");
  }
}
