import type { MigrationInterface, QueryRunner } from "typeorm";

/** Tables that belong to a studio, and the column that says to which. */
const OWNED = [
  ["student", "studio_id"],
  ["deleted_student", "studio_id"],
  ["practice_set", "studio_id"],
  ["standing", "studio_id"],
  ["mail", "studio_id"],
  ["audit", "studio_id"],
  ["studio", "id"],
] as const;

/**
 * People, their part in studios, their sessions and links; and the second wall between studios:
 * row-level security that the server's role cannot bypass. A transaction says whose rows it may see
 * (`mirrup.studio`, `mirrup.person`); without that it sees none.
 */
export class People1764100000000 implements MigrationInterface {
  readonly name = "People1764100000000";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE studio ADD COLUMN is_demo boolean NOT NULL DEFAULT false");
    await runner.query(`
      CREATE TABLE person (
        id uuid PRIMARY KEY,
        email text NOT NULL UNIQUE CHECK (email = lower(email)),
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
        password_hash text NOT NULL,
        created_at timestamptz NOT NULL DEFAULT now()
      )`);
    await runner.query(`
      CREATE TABLE membership (
        studio_id uuid NOT NULL REFERENCES studio (id) ON DELETE CASCADE,
        person_id uuid NOT NULL REFERENCES person (id) ON DELETE CASCADE,
        role text NOT NULL CHECK (role IN ('owner', 'coach', 'viewer')),
        created_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (studio_id, person_id)
      )`);
    await runner.query("CREATE INDEX membership_by_person ON membership (person_id)");
    await runner.query(`
      CREATE TABLE auth_session (
        sid text PRIMARY KEY,
        sess json NOT NULL,
        expire timestamptz NOT NULL
      )`);
    await runner.query("CREATE INDEX auth_session_by_expiry ON auth_session (expire)");
    await runner.query("CREATE INDEX auth_session_by_person ON auth_session ((sess ->> 'personId'))");
    await runner.query(`
      CREATE TABLE one_time_link (
        token_hash text PRIMARY KEY,
        kind text NOT NULL CHECK (kind IN ('invitation', 'reset')),
        email text NOT NULL,
        studio_id uuid REFERENCES studio (id) ON DELETE CASCADE,
        role text CHECK (role IN ('owner', 'coach', 'viewer')),
        expires_at timestamptz NOT NULL,
        used_at timestamptz,
        CHECK ((kind = 'invitation') = (studio_id IS NOT NULL AND role IS NOT NULL))
      )`);
    await runner.query(`
      CREATE TABLE mail (
        studio_id uuid NOT NULL REFERENCES studio (id) ON DELETE CASCADE,
        id uuid NOT NULL,
        recipient text NOT NULL,
        subject text NOT NULL,
        body text NOT NULL,
        created_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (studio_id, id)
      )`);
    await runner.query(`
      CREATE TABLE audit (
        studio_id uuid NOT NULL REFERENCES studio (id) ON DELETE CASCADE,
        id uuid NOT NULL,
        at timestamptz NOT NULL DEFAULT now(),
        person_id uuid REFERENCES person (id) ON DELETE SET NULL,
        action text NOT NULL,
        student_id uuid,
        about text,
        PRIMARY KEY (studio_id, id),
        FOREIGN KEY (studio_id, student_id) REFERENCES student (studio_id, id) ON DELETE SET NULL (student_id)
      )`);
    // A deleted student's id is a trace of the student: only its hash is kept, to tell devices.
    await runner.query("ALTER TABLE deleted_student DROP CONSTRAINT deleted_student_pkey");
    await runner.query("ALTER TABLE deleted_student DROP COLUMN id");
    await runner.query("ALTER TABLE deleted_student ADD COLUMN id_hash text NOT NULL");
    await runner.query("ALTER TABLE deleted_student ADD PRIMARY KEY (studio_id, id_hash)");
    await this.raiseWall(runner);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const name of [
      "role_in_studio(uuid, uuid)",
      "memberships_of(uuid)",
      "is_set_up()",
      "demo_coach()",
    ]) {
      await runner.query(`DROP FUNCTION mirrup_${name}`);
    }
    for (const [table] of [...OWNED, ["membership"]] as const) {
      await runner.query(`DROP POLICY studio_wall ON ${table}`);
      await runner.query(`ALTER TABLE ${table} DISABLE ROW LEVEL SECURITY`);
    }
    // No hash tells whose it is: what was deleted before is not known any more.
    await runner.query("DELETE FROM deleted_student");
    await runner.query("ALTER TABLE deleted_student DROP COLUMN id_hash");
    await runner.query("ALTER TABLE deleted_student ADD COLUMN id uuid NOT NULL");
    await runner.query("ALTER TABLE deleted_student ADD PRIMARY KEY (studio_id, id)");
    for (const table of ["audit", "mail", "one_time_link", "auth_session", "membership", "person"]) {
      await runner.query(`DROP TABLE ${table}`);
    }
    await runner.query("ALTER TABLE studio DROP COLUMN is_demo");
  }

  private async raiseWall(runner: QueryRunner): Promise<void> {
    const here = "nullif(current_setting('mirrup.studio', true), '')::uuid";
    for (const [table, column] of [...OWNED, ["membership", "studio_id"]] as const) {
      await runner.query(`ALTER TABLE ${table} ENABLE ROW LEVEL SECURITY`);
      await runner.query(`
        CREATE POLICY studio_wall ON ${table}
          USING (${column} = (SELECT ${here})) WITH CHECK (${column} = (SELECT ${here}))`);
    }
    // What has to be known before a studio is: each answers one narrow question as the owner.
    await runner.query(`
      CREATE FUNCTION mirrup_role_in_studio(person uuid, studio uuid) RETURNS text
        LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS
        $$ SELECT role FROM membership WHERE person_id = person AND studio_id = studio $$`);
    await runner.query(`
      CREATE FUNCTION mirrup_memberships_of(person uuid)
        RETURNS TABLE (studio_id uuid, studio_name text, role text)
        LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS
        $$ SELECT m.studio_id, s.name, m.role FROM membership m JOIN studio s ON s.id = m.studio_id
           WHERE m.person_id = person ORDER BY s.name $$`);
    await runner.query(`
      CREATE FUNCTION mirrup_is_set_up() RETURNS boolean
        LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS
        $$ SELECT EXISTS (SELECT 1 FROM studio) $$`);
    await runner.query(`
      CREATE FUNCTION mirrup_demo_coach() RETURNS uuid
        LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS
        $$ SELECT m.person_id FROM membership m JOIN studio s ON s.id = m.studio_id
           WHERE s.is_demo AND m.role = 'coach' LIMIT 1 $$`);
  }
}
