import Dexie from 'dexie';
import { sayStorageTrouble } from './storage-trouble';

describe('sayStorageTrouble', () => {
  it('tells a full device from a browser that keeps nothing and from a closed store', () => {
    expect(sayStorageTrouble(new DOMException('x', 'QuotaExceededError'))).toContain('is full');
    expect(sayStorageTrouble(new Dexie.AbortError('x', new DOMException('y', 'QuotaExceededError')))).toContain('is full');
    expect(sayStorageTrouble(new DOMException('x', 'SecurityError'))).toContain('private window');
    expect(sayStorageTrouble(new Dexie.DatabaseClosedError('x'))).toContain('Load the page again');
  });
  it('says what it does not know as it was said', () => {
    expect(sayStorageTrouble(new Error('something else'))).toBe('something else');
    expect(sayStorageTrouble('odd')).toBe('odd');
  });
  it('knows what the database throws when it was closed under it', async () => {
    const db = new Dexie(`spec-${crypto.randomUUID()}`);
    db.version(1).stores({ events: 'id' });
    await db.open();
    db.close();
    const thrown = await db
      .table('events')
      .put({ id: 'a' })
      .catch((error: unknown) => error);
    expect(sayStorageTrouble(thrown)).toContain('Load the page again');
  });
});
