import type { MigrationInterface, QueryRunner } from "typeorm";

const asks = (which: string) => `
  CREATE OR REPLACE FUNCTION mirrup_is_set_up() RETURNS boolean
    LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS
    $$ SELECT EXISTS (SELECT 1 FROM studio ${which}) $$`;

/** Mirrup is set up once there is a studio that is somebody's: the demo club is nobody's. */
export class OwnStudio1765300000000 implements MigrationInterface {
  readonly name = "OwnStudio1765300000000";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(asks("WHERE NOT is_demo"));
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(asks(""));
  }
}
