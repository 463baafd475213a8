import type { MigrationInterface, QueryRunner } from "typeorm";

/**
 * The log, the facts derived from it, and whom they belong to. Every table carries its studio and
 * every foreign key goes through it; checks and keys keep out what no bug may store.
 */
export class Initial1764000000000 implements MigrationInterface {
  readonly name = "Initial1764000000000";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE studio (
        id uuid PRIMARY KEY,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
        time_zone text NOT NULL,
        school text NOT NULL CHECK (school IN ('foundation-first', 'steady-hold', 'quick-frontier')),
        created_at timestamptz NOT NULL DEFAULT now()
      )`);
    await runner.query(`
      CREATE TABLE student (
        studio_id uuid NOT NULL REFERENCES studio (id) ON DELETE CASCADE,
        id uuid NOT NULL,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
        stronger_side text NOT NULL DEFAULT 'right' CHECK (stronger_side IN ('left', 'right')),
        archived_at timestamptz,
        created_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (studio_id, id)
      )`);
    await runner.query(`
      CREATE TABLE deleted_student (
        studio_id uuid NOT NULL REFERENCES studio (id) ON DELETE CASCADE,
        id uuid NOT NULL,
        deleted_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (studio_id, id)
      )`);
    await runner.query(`
      CREATE TABLE practice_set (
        studio_id uuid NOT NULL,
        id uuid NOT NULL,
        student_id uuid NOT NULL,
        subject text NOT NULL CHECK (length(subject) BETWEEN 1 AND 120),
        side text NOT NULL CHECK (side IN ('left', 'right', 'whole')),
        drill jsonb NOT NULL CHECK (drill ? 'kind'),
        clean integer NOT NULL CHECK (clean >= 0),
        misses jsonb NOT NULL CHECK (jsonb_typeof(misses) = 'array'),
        best_streak integer NOT NULL CHECK (best_streak BETWEEN 0 AND clean),
        seconds double precision CHECK (seconds >= 0),
        counted_by text NOT NULL CHECK (counted_by IN ('tapped', 'sensor', 'sound', 'hand')),
        device_at timestamptz NOT NULL,
        received_at timestamptz NOT NULL,
        happened_at timestamptz NOT NULL CHECK (happened_at <= received_at),
        catalogue_version text NOT NULL,
        PRIMARY KEY (studio_id, id),
        FOREIGN KEY (studio_id, student_id) REFERENCES student (studio_id, id) ON DELETE CASCADE
      )`);
    await runner.query(`
      CREATE INDEX practice_set_by_subject
        ON practice_set (studio_id, student_id, subject, side, happened_at, id)`);
    await runner.query(`
      CREATE TABLE standing (
        studio_id uuid NOT NULL,
        student_id uuid NOT NULL,
        subject text NOT NULL,
        side text NOT NULL CHECK (side IN ('left', 'right', 'whole')),
        gate text NOT NULL,
        clean_sum double precision NOT NULL CHECK (clean_sum >= 0),
        miss_sum double precision NOT NULL CHECK (miss_sum >= 0),
        sets integer NOT NULL CHECK (sets >= 0),
        best_streak integer NOT NULL CHECK (best_streak >= 0),
        gate_best integer NOT NULL CHECK (gate_best >= 0),
        cleared_at timestamptz,
        cleared_by text CHECK (cleared_by IN ('gate', 'hand', 'placed')),
        cleared_count integer CHECK (cleared_count > 0),
        reopened_at timestamptz,
        review jsonb,
        recent_lessons jsonb NOT NULL,
        last_at timestamptz,
        folded_at timestamptz NOT NULL,
        folded_id uuid NOT NULL,
        CHECK ((cleared_at IS NULL) = (cleared_by IS NULL)),
        PRIMARY KEY (studio_id, student_id, subject, side),
        FOREIGN KEY (studio_id, student_id) REFERENCES student (studio_id, id) ON DELETE CASCADE
      )`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ["standing", "practice_set", "deleted_student", "student", "studio"]) {
      await runner.query(`DROP TABLE ${table}`);
    }
  }
}
