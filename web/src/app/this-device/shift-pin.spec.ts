import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import type { Type } from '@angular/core';
import { VisitLog } from '../visit-log/visit-log.service';
import { VISIT_DB, VisitDb } from '../visit-log/visit-db';
import { until } from '../testing/page';
import { KeyRing } from './key-ring';
import { LockedPage } from './locked.page';
import { ShiftPin } from './shift-pin';

describe('the PIN of a shift', () => {
  let db: VisitDb;
  let ring: KeyRing;
  let went: string[];
  beforeEach(() => {
    db = new VisitDb(`spec-${crypto.randomUUID()}`);
    TestBed.configureTestingModule({
      providers: [
        provideRouter([]),
        { provide: VISIT_DB, useValue: db },
        { provide: VisitLog, useValue: { flush: () => Promise.resolve() } },
      ],
    });
    ring = TestBed.inject(KeyRing);
    went = [];
    TestBed.inject(Router).navigateByUrl = (url) => Promise.resolve(went.push(typeof url === 'string' ? url : url.toString()) > 0);
  });
  afterEach(() => db.delete());

  async function open<T>(page: Type<T>): Promise<ComponentFixture<T>> {
    const fixture = TestBed.createComponent(page);
    await fixture.whenStable();
    return fixture;
  }
  const host = (f: ComponentFixture<unknown>): HTMLElement => f.nativeElement as HTMLElement;
  function type(f: ComponentFixture<unknown>, ...texts: string[]): void {
    host(f)
      .querySelectorAll('input')
      .forEach((field, i) => {
        field.value = texts[i] ?? '';
        field.dispatchEvent(new Event('input'));
      });
    host(f).querySelector<HTMLButtonElement>('button[type=submit]')?.click();
  }

  it('is set twice alike, of digits, and says beside the field what is wrong', async () => {
    const form = await open(ShiftPin);
    for (const [texts, says] of [
      [['12', '12'], 'Give 4 to 8 digits.'],
      [['12a4', '12a4'], 'Give 4 to 8 digits.'],
      [['1234', '1243'], 'These two differ.'],
    ] as const) {
      type(form, ...texts);
      await until(form, () => host(form).textContent?.includes(says) === true);
    }
    expect(ring.hasPin()).toBeFalse();
    type(form, '4711', '4711');
    await until(form, () => ring.hasPin());
  });

  it('opens the tablet where it was, and not with another', async () => {
    await ring.setPin('4711');
    ring.lock();
    const page = await open(LockedPage);
    page.componentRef.setInput('to', '/visits/1/work');
    type(page, '1174');
    await until(page, () => host(page).textContent?.includes('That is not the PIN of this shift.') === true);
    expect(went).toEqual([]);
    type(page, '4711');
    await until(page, () => went.length > 0);
    expect([went, ring.locked()]).toEqual([['/visits/1/work'], false]);
  });

  it('goes nowhere but here, and lets go of the rights where nobody knows it', async () => {
    await ring.setPin('4711');
    ring.lock();
    const page = await open(LockedPage);
    page.componentRef.setInput('to', '//elsewhere.test/');
    type(page, '4711');
    await until(page, () => went.length > 0);
    expect(went).toEqual(['/today']);
    [...host(page).querySelectorAll('button')].find((b) => b.textContent?.includes('password instead'))?.click();
    await until(page, () => went.length > 1);
    expect([went.at(-1), ring.hasPin()]).toEqual(['/sign-in', false]);
  });
});
