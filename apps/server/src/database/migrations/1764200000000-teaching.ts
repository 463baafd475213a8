import type { MigrationInterface, QueryRunner } from "typeorm";

/** Tables of this migration, each behind the wall between studios like the rest. */
const OWNED = ["student_group", "group_member", "decision"] as const;

/**
 * A student's record, groups, decisions of instructors, and how a studio teaches. The facts derived
 * from the log have a new shape: they are thrown away here and made anew from the log.
 */
export class Teaching1764200000000 implements MigrationInterface {
  readonly name = "Teaching1764200000000";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE student
        ALTER COLUMN stronger_side DROP NOT NULL,
        ALTER COLUMN stronger_side DROP DEFAULT,
        ADD COLUMN dominant_hand text CHECK (dominant_hand IN ('left', 'right')),
        ADD COLUMN birth_year smallint CHECK (birth_year BETWEEN 1900 AND 2200),
        ADD COLUMN years_jumping real CHECK (years_jumping BETWEEN 0 AND 80),
        ADD COLUMN height_mm integer CHECK (height_mm BETWEEN 600 AND 2400),
        ADD COLUMN rope_kind text CHECK (length(rope_kind) BETWEEN 1 AND 60),
        ADD COLUMN rope_length_mm integer CHECK (rope_length_mm BETWEEN 1000 AND 5000),
        ADD COLUMN rope_use text NOT NULL DEFAULT 'beginner'
          CHECK (rope_use IN ('beginner', 'crosses-and-doubles', 'speed')),
        ADD COLUMN home_step text CHECK (length(home_step) BETWEEN 1 AND 120),
        ADD COLUMN goals jsonb NOT NULL DEFAULT '[]' CHECK (jsonb_typeof(goals) = 'array'),
        ADD COLUMN school text CHECK (school IN ('foundation-first', 'steady-hold', 'quick-frontier')),
        ADD COLUMN settings jsonb NOT NULL DEFAULT '{}' CHECK (jsonb_typeof(settings) = 'object'),
        ADD COLUMN gates jsonb NOT NULL DEFAULT '{}' CHECK (jsonb_typeof(gates) = 'object'),
        ADD COLUMN notes text NOT NULL DEFAULT '' CHECK (length(notes) <= 4000),
        ADD COLUMN cautions jsonb NOT NULL DEFAULT '[]' CHECK (jsonb_typeof(cautions) = 'array'),
        ADD COLUMN version integer NOT NULL DEFAULT 1 CHECK (version > 0)`);
    await runner.query(`
      ALTER TABLE studio
        ADD COLUMN settings jsonb NOT NULL DEFAULT '{}' CHECK (jsonb_typeof(settings) = 'object'),
        ADD COLUMN version integer NOT NULL DEFAULT 1 CHECK (version > 0),
        ADD COLUMN facts_version integer NOT NULL DEFAULT 0`);
    await runner.query(`
      CREATE TABLE student_group (
        studio_id uuid NOT NULL REFERENCES studio (id) ON DELETE CASCADE,
        id uuid NOT NULL,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
        weekday smallint CHECK (weekday BETWEEN 1 AND 7),
        start_time text CHECK (start_time ~ '^([01][0-9]|2[0-3]):[0-5][0-9]$'),
        place text NOT NULL DEFAULT '' CHECK (length(place) <= 120),
        archived_at timestamptz,
        created_at timestamptz NOT NULL DEFAULT now(),
        version integer NOT NULL DEFAULT 1 CHECK (version > 0),
        PRIMARY KEY (studio_id, id)
      )`);
    await runner.query(`
      CREATE TABLE group_member (
        studio_id uuid NOT NULL,
        group_id uuid NOT NULL,
        student_id uuid NOT NULL,
        PRIMARY KEY (studio_id, group_id, student_id),
        FOREIGN KEY (studio_id, group_id) REFERENCES student_group (studio_id, id) ON DELETE CASCADE,
        FOREIGN KEY (studio_id, student_id) REFERENCES student (studio_id, id) ON DELETE CASCADE
      )`);
    await runner.query("CREATE INDEX group_member_by_student ON group_member (studio_id, student_id)");
    await runner.query(`
      CREATE TABLE decision (
        studio_id uuid NOT NULL,
        id uuid NOT NULL,
        student_id uuid NOT NULL,
        subject text NOT NULL CHECK (length(subject) BETWEEN 1 AND 120),
        side text NOT NULL CHECK (side IN ('left', 'right', 'whole')),
        decision jsonb NOT NULL
          CHECK (decision ->> 'kind' IN ('clear', 'reopen', 'place', 'override', 'void')),
        reason text NOT NULL CHECK (length(reason) <= 500),
        person_id uuid REFERENCES person (id) ON DELETE SET NULL,
        device_at timestamptz NOT NULL,
        received_at timestamptz NOT NULL,
        happened_at timestamptz NOT NULL CHECK (happened_at <= received_at),
        PRIMARY KEY (studio_id, id),
        FOREIGN KEY (studio_id, student_id) REFERENCES student (studio_id, id) ON DELETE CASCADE
      )`);
    await runner.query(
      "CREATE INDEX decision_by_student ON decision (studio_id, student_id, subject, side, happened_at)",
    );
    await runner.query("DELETE FROM standing");
    await runner.query(`
      ALTER TABLE standing
        DROP COLUMN recent_lessons,
        ADD COLUMN lessons jsonb NOT NULL,
        ADD COLUMN presumed_at timestamptz`);
    const here = "nullif(current_setting('mirrup.studio', true), '')::uuid";
    for (const table of OWNED) {
      await runner.query(`ALTER TABLE ${table} ENABLE ROW LEVEL SECURITY`);
      await runner.query(`
        CREATE POLICY studio_wall ON ${table}
          USING (studio_id = (SELECT ${here})) WITH CHECK (studio_id = (SELECT ${here}))`);
    }
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("DELETE FROM standing");
    await runner.query(`
      ALTER TABLE standing DROP COLUMN presumed_at, DROP COLUMN lessons,
        ADD COLUMN recent_lessons jsonb NOT NULL`);
    for (const table of ["decision", "group_member", "student_group"]) {
      await runner.query(`DROP TABLE ${table}`);
    }
    for (const column of ["settings", "version", "facts_version"]) {
      await runner.query(`ALTER TABLE studio DROP COLUMN ${column}`);
    }
    const columns =
      "dominant_hand birth_year years_jumping height_mm rope_kind rope_length_mm rope_use home_step goals " +
      "school settings gates notes cautions version";
    for (const column of columns.split(" ")) await runner.query(`ALTER TABLE student DROP COLUMN ${column}`);
    await runner.query("UPDATE student SET stronger_side = 'right' WHERE stronger_side IS NULL");
    await runner.query(`
      ALTER TABLE student ALTER COLUMN stronger_side SET DEFAULT 'right',
        ALTER COLUMN stronger_side SET NOT NULL`);
  }
}
