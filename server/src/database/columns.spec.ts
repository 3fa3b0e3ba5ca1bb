import { columnName, columnsFrom, fieldsFrom } from './columns.js';

describe('columns and fields', () => {
  it('have names that follow from each other', () => {
    expect(columnName('name')).toBe('name');
    expect(columnName('bornWithinMonths')).toBe('born_within_months');
  });
  it('carry the same values there and back, and leave other columns', () => {
    const form = { name: 'Moss', weightKg: 18, triggers: [{ cause: 'dryer' }], vetName: null };
    const columns = columnsFrom(form);
    expect(columns).toEqual({ name: 'Moss', weight_kg: 18, triggers: [{ cause: 'dryer' }], vet_name: null });
    const row = { ...columns, salon_id: 'x', version: 3 };
    expect(fieldsFrom<typeof form>(row, ['name', 'weightKg', 'triggers', 'vetName'])).toEqual(form);
  });
});
