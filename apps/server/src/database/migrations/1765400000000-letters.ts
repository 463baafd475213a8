import type { MigrationInterface, QueryRunner } from "typeorm";

/** How long a link in a letter can be used at most. */
const USEFUL = "interval '7 days'";

/** Letters that leave by themselves: what became of each, and when it is tried again. */
export class Letters1765400000000 implements MigrationInterface {
  readonly name = "Letters1765400000000";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE mail
        ADD COLUMN queued boolean NOT NULL DEFAULT false,
        ADD COLUMN tries integer NOT NULL DEFAULT 0,
        ADD COLUMN next_try_at timestamptz,
        ADD COLUMN sent_at timestamptz,
        ADD COLUMN trouble text`);
    await runner.query("CREATE INDEX mail_due ON mail (next_try_at) WHERE next_try_at IS NOT NULL");
    await runner.query(`
      CREATE FUNCTION mirrup_studios_with_letters(now timestamptz) RETURNS TABLE (studio_id uuid)
        LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS
        $$ SELECT DISTINCT mail.studio_id FROM mail WHERE next_try_at <= now $$`);
    // Links that can be used no more, and letters that lead to them, are of use only to a thief.
    await runner.query(`
      CREATE FUNCTION mirrup_forget_old_links(now timestamptz) RETURNS void
        LANGUAGE sql VOLATILE SECURITY DEFINER SET search_path = public AS
        $$ DELETE FROM one_time_link WHERE expires_at < now OR used_at < now - interval '1 day';
           UPDATE mail SET body = '', next_try_at = NULL WHERE body <> '' AND created_at < now - ${USEFUL} $$`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("DROP FUNCTION mirrup_forget_old_links(timestamptz)");
    await runner.query("DROP FUNCTION mirrup_studios_with_letters(timestamptz)");
    await runner.query("DROP INDEX mail_due");
    await runner.query(`
      ALTER TABLE mail
        DROP COLUMN queued, DROP COLUMN tries, DROP COLUMN next_try_at, DROP COLUMN sent_at, DROP COLUMN trouble`);
  }
}
