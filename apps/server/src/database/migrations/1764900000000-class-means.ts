import type { MigrationInterface, QueryRunner } from "typeorm";

/** Pairs that are to be apart or together, who has a rope along, and helpers and ropes of plans told one by one. */
export class ClassMeans1764900000000 implements MigrationInterface {
  readonly name = "ClassMeans1764900000000";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE student_pair (
        studio_id uuid NOT NULL,
        one_id uuid NOT NULL,
        other_id uuid NOT NULL,
        wish text NOT NULL CHECK (wish IN ('apart', 'together')),
        PRIMARY KEY (studio_id, one_id, other_id),
        CHECK (one_id < other_id),
        FOREIGN KEY (studio_id, one_id) REFERENCES student (studio_id, id) ON DELETE CASCADE,
        FOREIGN KEY (studio_id, other_id) REFERENCES student (studio_id, id) ON DELETE CASCADE
      )`);
    await runner.query("CREATE INDEX student_pair_other ON student_pair (studio_id, other_id)");
    const here = "nullif(current_setting('mirrup.studio', true), '')::uuid";
    await runner.query("ALTER TABLE student_pair ENABLE ROW LEVEL SECURITY");
    await runner.query(`
      CREATE POLICY studio_wall ON student_pair
        USING (studio_id = (SELECT ${here})) WITH CHECK (studio_id = (SELECT ${here}))`);
    await runner.query("ALTER TABLE lesson_student ADD COLUMN own_rope boolean");
    await runner.query(`
      UPDATE lesson SET plan = jsonb_set(plan, '{asked,helpers}', coalesce(
        (SELECT jsonb_agg('{"mayLead": []}'::jsonb)
          FROM generate_series(1, (plan #>> '{asked,helpers}')::int)), '[]'))
      WHERE jsonb_typeof(plan #> '{asked,helpers}') = 'number'`);
    await runner.query(`
      UPDATE lesson SET plan = jsonb_set(plan, '{asked,ropes}', jsonb_build_array(jsonb_build_object(
        'kind', NULL, 'lengthMm', NULL, 'many', plan #> '{asked,ropes}')))
      WHERE jsonb_typeof(plan #> '{asked,ropes}') = 'number'`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      UPDATE lesson SET plan = jsonb_set(plan, '{asked,ropes}', (
        SELECT to_jsonb(coalesce(sum((one ->> 'many')::int), 0))
          FROM jsonb_array_elements(plan #> '{asked,ropes}') AS one))
      WHERE jsonb_typeof(plan #> '{asked,ropes}') = 'array'`);
    await runner.query(`
      UPDATE lesson SET plan = jsonb_set(plan, '{asked,helpers}',
        to_jsonb(jsonb_array_length(plan #> '{asked,helpers}')))
      WHERE jsonb_typeof(plan #> '{asked,helpers}') = 'array'`);
    await runner.query("ALTER TABLE lesson_student DROP COLUMN own_rope");
    await runner.query("DROP TABLE student_pair");
  }
}
