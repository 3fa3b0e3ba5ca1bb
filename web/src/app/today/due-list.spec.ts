import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { signal } from '@angular/core';
import type { Due } from '@mansuet/core/contract';
import { FakeApi } from '../testing/fake-api';
import { until } from '../testing/page';
import { VisitLog } from '../visit-log/visit-log.service';
import { DueList } from './due-list';
import { TodayService } from './today.service';

const DUE: Due = {
  visitId: '01900000-0000-7000-8000-000000000001',
  dogId: '01900000-0000-7000-8000-000000000002',
  dog: 'Moss',
  owner: 'Perpetua Glain',
  phone: '0550 1',
  key: 'call',
  kind: 'call',
  dueOn: '2026-11-27',
  visitOn: '2026-11-25',
  says: ['Ring and ask how the place is: nick, belly.'],
};

describe('DueList', () => {
  it('shows what is due with whom to ring, and writes what came of it into the log of its visit', async () => {
    const api = new FakeApi();
    api.answer('GET /due', { due: [DUE] });
    const kept: unknown[] = [];
    const log = { record: (...args: unknown[]) => Promise.resolve(void kept.push(args)), flush: () => Promise.resolve() };
    TestBed.configureTestingModule({
      providers: [
        provideRouter([]),
        ...api.providers(),
        { provide: VisitLog, useValue: log },
        { provide: TodayService, useValue: { tags: signal([]) } },
      ],
    });
    const fixture = TestBed.createComponent(DueList);
    const host = fixture.nativeElement as HTMLElement;
    const text = (): string => host.textContent?.replace(/\s+/g, ' ') ?? '';
    await until(fixture, () => text().includes('Moss'), text);
    expect(text()).toContain('Ring and ask how the place is: nick, belly.');
    expect(host.querySelector('a[href="tel:0550 1"]')).not.toBeNull();
    host.querySelector<HTMLButtonElement>('button[aria-label="Done: Ring, Moss"]')?.click();
    await until(fixture, () => host.querySelector('input[name="dueSays"]') !== null, text);
    const field = host.querySelector<HTMLInputElement>('input[name="dueSays"]');
    if (field) {
      field.value = 'Closed and dry';
      field.dispatchEvent(new Event('input'));
    }
    api.answer('GET /due', { due: [] });
    [...host.querySelectorAll('button')].find((b) => b.textContent?.includes('It is done'))?.click();
    await until(fixture, () => !text().includes('Moss'), text);
    expect(kept).toEqual([[DUE.visitId, { type: 'follow_up_done', body: { followUp: 'call', says: 'Closed and dry' } }]]);
  });
});
