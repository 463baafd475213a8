import type { MigrationInterface, QueryRunner } from "typeorm";

/** Combos of a studio, and the links by which some of them can be read. */
export class Combos1764600000000 implements MigrationInterface {
  readonly name = "Combos1764600000000";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE combo (
        studio_id uuid NOT NULL REFERENCES studio (id) ON DELETE CASCADE,
        id uuid NOT NULL,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
        parts jsonb NOT NULL CHECK (jsonb_array_length(parts) > 0),
        created_at timestamptz NOT NULL,
        removed_at timestamptz,
        link_hash text UNIQUE,
        linked_at timestamptz,
        version integer NOT NULL,
        PRIMARY KEY (studio_id, id),
        CHECK ((link_hash IS NULL) = (linked_at IS NULL))
      )`);
    const here = "nullif(current_setting('mirrup.studio', true), '')::uuid";
    await runner.query("ALTER TABLE combo ENABLE ROW LEVEL SECURITY");
    await runner.query(`
      CREATE POLICY studio_wall ON combo
        USING (studio_id = (SELECT ${here})) WITH CHECK (studio_id = (SELECT ${here}))`);
    // A reader with a link is of no studio; who knows the secret is told which one, and nothing else.
    await runner.query(`
      CREATE FUNCTION mirrup_studio_of_combo_link(hash text) RETURNS uuid
        LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS
        $$ SELECT studio_id FROM combo WHERE link_hash = hash AND removed_at IS NULL $$`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("DROP FUNCTION mirrup_studio_of_combo_link(text)");
    await runner.query("DROP TABLE combo");
  }
}
