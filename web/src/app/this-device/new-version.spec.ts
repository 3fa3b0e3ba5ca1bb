import { TestBed } from '@angular/core/testing';
import { SwUpdate, type UnrecoverableStateEvent, type VersionEvent } from '@angular/service-worker';
import { Subject } from 'rxjs';
import { NewVersion, RELOAD } from './new-version';

describe('NewVersion', () => {
  const versions = new Subject<VersionEvent>();
  const lost = new Subject<UnrecoverableStateEvent>();
  let done: string[];
  const start = (isEnabled: boolean): NewVersion => {
    done = [];
    const activateUpdate = (): Promise<boolean> => Promise.resolve(done.push('activated') > 0);
    TestBed.configureTestingModule({
      providers: [
        { provide: SwUpdate, useValue: { isEnabled, versionUpdates: versions, unrecoverable: lost, activateUpdate } },
        { provide: RELOAD, useValue: () => done.push('loaded') },
      ],
    });
    return TestBed.inject(NewVersion);
  };

  it('says that a newer one is there, and takes it only when asked', async () => {
    const version = start(true);
    versions.next({ type: 'VERSION_DETECTED', version: { hash: 'b' } });
    expect(version.ready()).toBeFalse();
    versions.next({ type: 'VERSION_READY', currentVersion: { hash: 'a' }, latestVersion: { hash: 'b' } });
    expect([version.ready(), done]).toEqual([true, []]);
    await version.take();
    expect(done).toEqual(['activated', 'loaded']);
  });

  it('says that this one is broken, and loads it anew', async () => {
    const version = start(true);
    lost.next({ type: 'UNRECOVERABLE_STATE', reason: 'gone' });
    expect(version.broken()).toBeTrue();
    await version.take();
    expect(done).toEqual(['loaded']);
  });

  it('knows of none where there is no service worker', () => {
    const version = start(false);
    versions.next({ type: 'VERSION_READY', currentVersion: { hash: 'a' }, latestVersion: { hash: 'b' } });
    expect(version.ready()).toBeFalse();
  });
});
