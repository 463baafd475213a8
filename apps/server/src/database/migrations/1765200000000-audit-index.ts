import type { MigrationInterface, QueryRunner } from "typeorm";

/** The newest of the audit trail is read without looking at the rest. */
export class AuditIndex1765200000000 implements MigrationInterface {
  readonly name = "AuditIndex1765200000000";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query("CREATE INDEX audit_by_time ON audit (studio_id, at DESC, id DESC)");
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("DROP INDEX audit_by_time");
  }
}
