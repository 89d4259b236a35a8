import type { Knex } from 'knex';
import { type DeletedKind, KEPT_DAYS } from '@spare-acre/core/io/wire';

/** Where each kind lies, and an expression for what a person would call it. */
const PLACES: Readonly<Record<DeletedKind, { readonly table: string; readonly name: string }>> = {
  log: { table: 'log_entries', name: `coalesce(nullif(entry ->> 'note', ''), entry ->> 'name')` },
  shelf: { table: 'shelf_moves', name: `stock_id || ', ' || kind || ' ' || amount::text` },
  offcut: { table: 'offcuts', name: `material_id || ' ' || width_mm::text || ' × ' || depth_mm::text || ' mm'` },
  picture: { table: 'pictures', name: `width_px::text || ' × ' || height_px::text || ' px'` },
};

/** Marks something as deleted: it is shown no more, and can be brought back for a while. @returns its name, null where there is none */
export async function markDeleted(
  db: Knex,
  kind: DeletedKind,
  which: Readonly<Record<string, string>>,
  by: string | null,
): Promise<string | null> {
  const { table, name } = PLACES[kind];
  const [row] = (await db(table)
    .where(which)
    .whereNull('deleted_at')
    .update({ deleted_at: db.fn.now(), deleted_by: by })
    .returning(db.raw(`${name} as name`))) as { name: string }[];
  return row?.name ?? null;
}

/** Brings something back. @returns its name, null where it is not among what was deleted */
export async function restoreDeleted(db: Knex, kind: DeletedKind, id: string): Promise<string | null> {
  const { table, name } = PLACES[kind];
  // A line of the log comes back as the last: pages ask for what is new by its turn.
  const turn = kind === 'log' ? { turn: db.raw(`nextval(pg_get_serial_sequence('log_entries', 'turn'))`) } : {};
  const [row] = (await db(table)
    .where({ id })
    .whereNotNull('deleted_at')
    .update({ deleted_at: null, deleted_by: null, ...turn })
    .returning(db.raw(`${name} as name`))) as { name: string }[];
  return row?.name ?? null;
}

/** What was deleted and is still there, the last first, with who did it. */
export async function listDeleted(db: Knex): Promise<{ kind: DeletedKind; id: string; name: string; at: string; by: string | null }[]> {
  const kinds = Object.entries(PLACES) as [DeletedKind, (typeof PLACES)[DeletedKind]][];
  const { rows } = await db.raw<{ rows: { kind: DeletedKind; id: string; name: string; at: Date; by: string | null }[] }>(
    `${kinds
      .map(
        ([kind, { table, name }]) =>
          `select '${kind}' as kind, id, left(${name}, 120) as name, deleted_at as at, deleted_by as by from ${table} where deleted_at is not null`,
      )
      .join(' union all ')} order by at desc limit 500`,
  );
  return rows.map(({ at, ...row }) => ({ ...row, at: at.toISOString() }));
}

/** Takes out for good what was deleted long ago. */
export async function sweepDeleted(db: Knex): Promise<void> {
  for (const { table } of Object.values(PLACES)) await db(table).whereRaw(`deleted_at < now() - interval '${KEPT_DAYS} days'`).delete();
}
