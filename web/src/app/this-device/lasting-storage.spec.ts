import { TestBed } from '@angular/core/testing';
import { LastingStorage, STORAGE } from './lasting-storage';

describe('LastingStorage', () => {
  const start = (storage: Partial<StorageManager> | undefined): LastingStorage => {
    TestBed.configureTestingModule({ providers: [{ provide: STORAGE, useValue: storage }] });
    return TestBed.inject(LastingStorage);
  };
  const browser = (promises: boolean, quota: number): Partial<StorageManager> => ({
    persisted: () => Promise.resolve(false),
    persist: () => Promise.resolve(promises),
    estimate: () => Promise.resolve({ quota, usage: 10_000_000 }),
  });

  it('knows whether the browser has promised to keep what is here', async () => {
    const kept = start(browser(true, 2_000_000_000));
    await kept.ask();
    expect([kept.lasts(), kept.littleRoomMb()]).toEqual(['lasts', undefined]);
  });
  it('says how little room is left', async () => {
    const kept = start(browser(false, 42_000_000));
    await kept.ask();
    expect([kept.lasts(), kept.littleRoomMb()]).toEqual(['may_go', 32]);
  });
  it('promises nothing for a browser that cannot', async () => {
    const kept = start(undefined);
    await kept.ask();
    expect(kept.lasts()).toBe('may_go');
  });
});
