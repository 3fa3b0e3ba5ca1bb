/** The column of a field: `bornEstimated` is `born_estimated`. */
export type ColumnName<K extends string> = K extends `${infer H}${infer T}`
  ? `${H extends Lowercase<H> ? H : `_${Lowercase<H>}`}${ColumnName<T>}`
  : K;

/** A form as its table has it. */
export type ColumnsOf<T> = { [K in keyof T & string as ColumnName<K>]: T[K] };

export const columnName = (field: string): string => field.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);

/** The fields of a form from its row; other columns are left. */
export function fieldsFrom<T extends object>(row: ColumnsOf<T>, fields: readonly (keyof T & string)[]): T {
  const columns = new Map<string, unknown>(Object.entries(row));
  // What TypeScript cannot follow through a list of names, `ColumnsOf` has held already.
  return Object.fromEntries(fields.map((field) => [field, columns.get(columnName(field))])) as T;
}

/** The columns of a form. */
export function columnsFrom<T extends object>(form: T): ColumnsOf<T> {
  return Object.fromEntries(Object.entries(form).map(([field, value]) => [columnName(field), value])) as ColumnsOf<T>;
}
