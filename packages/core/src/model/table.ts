/**
 * Tables of definitions: one object for each kind of thing, from which enums, words and menus follow. A new step kind, method,
 * film grade, milestone or binder is one more entry in its table.
 */

/** A table of definitions of one kind; its ids are kept as a type. */
export const tableOf =
  <Definition>() =>
  <Id extends string>(table: Readonly<Record<Id, Definition>>): Readonly<Record<Id, Definition>> =>
    table;

/** The ids of a table in its order, as the tuple that an enum of the schema is made of. */
export const idsOf = <Id extends string>(table: Readonly<Record<Id, unknown>>): [Id, ...Id[]] =>
  Object.keys(table) as [Id, ...Id[]];

/** One field of every definition of a table, by id. */
export function columnOf<Id extends string, Definition, Field extends keyof Definition>(
  table: Readonly<Record<Id, Definition>>,
  field: Field,
): Record<Id, Definition[Field]> {
  return Object.fromEntries(idsOf(table).map((id) => [id, table[id][field]])) as Record<
    Id,
    Definition[Field]
  >;
}
