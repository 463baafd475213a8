import type { EntityManager, EntityTarget, ObjectLiteral } from "typeorm";

/**
 * Inserts many rows as one parameter: a statement with a placeholder for every value of hundreds of
 * rows costs the query builder more than the database. Every column has to be given.
 */
export async function insertAll<Row extends ObjectLiteral>(
  manager: EntityManager,
  entity: EntityTarget<Row>,
  rows: readonly Row[],
): Promise<void> {
  const { tablePath, columns } = manager.dataSource.getMetadata(entity);
  const records = rows.map((row) =>
    Object.fromEntries(
      columns.map((column): [string, unknown] => [column.databaseName, column.getEntityValue(row)]),
    ),
  );
  await manager.query(
    `INSERT INTO ${tablePath} SELECT * FROM jsonb_populate_recordset(NULL::${tablePath}, $1)`,
    [JSON.stringify(records)],
  );
}
