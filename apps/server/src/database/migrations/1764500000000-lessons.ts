import type { MigrationInterface, QueryRunner } from "typeorm";

/** Lessons of a class, and what each of its students does and did; a student who is deleted goes from all of them. */
export class Lessons1764500000000 implements MigrationInterface {
  readonly name = "Lessons1764500000000";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE lesson (
        studio_id uuid NOT NULL REFERENCES studio (id) ON DELETE CASCADE,
        id uuid NOT NULL,
        group_id uuid,
        title text NOT NULL,
        day date NOT NULL,
        start_time text CHECK (start_time ~ '^[0-2][0-9]:[0-5][0-9]$'),
        minutes integer NOT NULL CHECK (minutes BETWEEN 0 AND 240),
        place text NOT NULL,
        plan jsonb,
        progress jsonb,
        finished_at timestamptz,
        created_at timestamptz NOT NULL,
        version integer NOT NULL,
        PRIMARY KEY (studio_id, id),
        FOREIGN KEY (studio_id, group_id) REFERENCES student_group (studio_id, id) ON DELETE CASCADE
      )`);
    await runner.query("CREATE INDEX lesson_by_day ON lesson (studio_id, day)");
    await runner.query(`
      CREATE TABLE lesson_student (
        studio_id uuid NOT NULL,
        lesson_id uuid NOT NULL,
        student_id uuid NOT NULL,
        attendance text NOT NULL CHECK (attendance IN ('expected', 'present', 'late', 'absent')),
        places jsonb NOT NULL,
        PRIMARY KEY (studio_id, lesson_id, student_id),
        FOREIGN KEY (studio_id, lesson_id) REFERENCES lesson (studio_id, id) ON DELETE CASCADE,
        FOREIGN KEY (studio_id, student_id) REFERENCES student (studio_id, id) ON DELETE CASCADE
      )`);
    await runner.query("CREATE INDEX lesson_student_by_student ON lesson_student (studio_id, student_id)");
    // What was done on a day is read without the rest of the log.
    await runner.query(
      "CREATE INDEX practice_set_by_time ON practice_set (studio_id, student_id, happened_at)",
    );
    const here = "nullif(current_setting('mirrup.studio', true), '')::uuid";
    for (const table of ["lesson", "lesson_student"]) {
      await runner.query(`ALTER TABLE ${table} ENABLE ROW LEVEL SECURITY`);
      await runner.query(`
        CREATE POLICY studio_wall ON ${table}
          USING (studio_id = (SELECT ${here})) WITH CHECK (studio_id = (SELECT ${here}))`);
    }
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("DROP INDEX practice_set_by_time");
    await runner.query("DROP TABLE lesson_student");
    await runner.query("DROP TABLE lesson");
  }
}
