import type { MigrationInterface, QueryRunner } from "typeorm";

/** Who counted a set; null for the demo's, for what was counted before, and once that person has left no account. */
export class WhoCounted1766400000000 implements MigrationInterface {
  readonly name = "WhoCounted1766400000000";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      "ALTER TABLE practice_set ADD COLUMN person_id uuid REFERENCES person (id) ON DELETE SET NULL",
    );
    // Whoever leaves is looked for among those that somebody is known of.
    await runner.query(
      "CREATE INDEX practice_set_by_person ON practice_set (person_id) WHERE person_id IS NOT NULL",
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE practice_set DROP COLUMN person_id");
  }
}
