import { Component, ChangeDetectionStrategy, signal } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { DayDog, DaySchedule, PlacedStretch } from '@mansuet/core/day';
import { emptyVisit } from '@mansuet/core/visit';
import type { Tag } from '../today/today.service';
import { lateDogs } from './late-dogs';
import { LeadLines, type PutAt } from './lead-lines';
import { linesOfDay, type LineTag, stackOf } from './lines-of-day';
import { inTen } from './say-chance';

const stretch = (dog: string, block: number, from: number, to: number, more: Partial<PlacedStretch> = {}): PlacedStretch => ({
  dog,
  block,
  stretch: 0,
  from,
  to,
  person: 'imke',
  helper: undefined,
  post: undefined,
  ...more,
});
const dog = (id: string, works: readonly ('bath' | 'table')[], more: Partial<DayDog> = {}): DayDog => ({
  id,
  arrives: { from: 540, to: 540 },
  blocks: works.map((work) => ({ work, restBefore: 0, stretches: [] })),
  waitsAtMost: 60,
  wishedBy: undefined,
  wishes: {},
  weightKg: 10,
  trainedOnly: false,
  biter: false,
  catching: false,
  apart: false,
  fearsLoud: false,
  sensitive: false,
  hard: false,
  fixed: {},
  ...more,
});
const WORKS = new Map([
  ['imke', [{ from: 540, to: 1020 }]],
  ['odette', [{ from: 540, to: 1020 }]],
]);
const DAY: DaySchedule = {
  stretches: [
    stretch('fig', 0, 540, 560),
    stretch('fig', 1, 560, 580),
    stretch('fig', 2, 600, 640),
    stretch('moss', 0, 640, 700, { helper: 'odette' }),
  ],
  breaks: [{ person: 'imke', from: 720, to: 750 }],
  unplaced: [],
};
const LINES = linesOfDay(
  { dogs: [dog('fig', ['table', 'bath', 'table']), dog('moss', ['table'], { fixed: { person: 'imke' } })] },
  DAY,
  WORKS,
  [],
);

describe('tags that meet', () => {
  const tag = (key: string, from: number, to: number, helps = false): LineTag => ({
    key,
    visitId: key,
    from,
    to,
    parts: [],
    first: true,
    helps,
    as: 'planned',
    held: false,
  });
  it('stand below each other, and no lower than they have to', () => {
    const { at, rows } = stackOf([
      tag('a', 540, 600),
      tag('b', 570, 660),
      tag('c', 600, 640),
      tag('d', 580, 700),
      tag('help', 590, 600, true),
    ]);
    expect([...at]).toEqual([
      ['a', 0],
      ['b', 1],
      ['d', 2],
      ['c', 0],
    ]);
    expect(rows).toBe(3);
    expect(stackOf([]).rows).toBe(1);
    expect(stackOf([tag('a', 540, 600), tag('b', 595, 660)]).rows).toBe(1);
  });
});

describe('lead lines', () => {
  it('hang one tag for what follows without a gap, and another after a rest', () => {
    const [imke, odette] = LINES;
    expect(imke?.tags.map((t) => [t.visitId, t.from, t.to, t.first])).toEqual([
      ['fig', 540, 580, true],
      ['fig', 600, 640, false],
      ['moss', 640, 700, true],
    ]);
    expect(imke?.tags[0]?.parts.map((p) => p.work)).toEqual(['table', 'bath']);
    expect(imke?.tags.map((t) => t.held)).toEqual([false, false, true]);
    expect(imke?.breaks.length).toBe(1);
    expect(odette?.tags.map((t) => [t.visitId, t.helps])).toEqual([['moss', true]]);
  });

  it('have what is behind us, also of somebody who works no more', () => {
    const done = [{ visitId: 'quill', person: 'rafael', from: 500, to: 530, runs: false }];
    const lines = linesOfDay({ dogs: [] }, { stretches: [], breaks: [], unplaced: [] }, WORKS, done);
    expect(lines.map((l) => [l.personId, l.tags.map((t) => t.as)])).toEqual([
      ['imke', []],
      ['odette', []],
      ['rafael', ['done']],
    ]);
  });

  it('tell which dog is in hand, and that it was not put there', () => {
    const inHand = dog('fig', ['table'], { blocks: [{ work: 'table', restBefore: 0, stretches: [], by: 'imke' }], fixed: { from: 540 } });
    const [line] = linesOfDay({ dogs: [inHand] }, { ...DAY, stretches: [stretch('fig', 0, 540, 600)] }, WORKS, []);
    expect(line?.tags.map((t) => [t.as, t.held])).toEqual([['in_hand', false]]);
  });
});

@Component({
  imports: [LeadLines],
  template: `<man-lead-lines
    [lines]="lines"
    [from]="540"
    [to]="1020"
    [now]="600"
    [mayMove]="may()"
    [dogOf]="dogOf"
    [nameOf]="nameOf"
    (chosen)="chosen.push($event)"
    (moving)="moving.push($event)"
    (moved)="moved.push($event)"
  />`,
  styles: 'man-lead-lines { display: block; width: 1092px; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
class Page {
  readonly lines = LINES;
  readonly may = signal(true);
  readonly chosen: string[] = [];
  readonly moving: (PutAt | undefined)[] = [];
  readonly moved: PutAt[] = [];
  readonly dogOf = (id: string): string => id.toUpperCase();
  readonly nameOf = (id: string): string => id;
}

describe('lead lines on the screen', () => {
  let fixture: ComponentFixture<Page>;
  let host: HTMLElement;
  const tag = (name: string): HTMLButtonElement => {
    const found = [...host.querySelectorAll<HTMLButtonElement>('button.tag')].find((b) => b.textContent?.includes(name));
    if (!found) throw new Error(`no tag ${name}`);
    return found;
  };
  const press = (on: HTMLElement, key: string, altKey = true): void => {
    on.dispatchEvent(new KeyboardEvent('keydown', { key, altKey, bubbles: true, cancelable: true }));
  };
  beforeEach(async () => {
    fixture = TestBed.createComponent(Page);
    host = fixture.nativeElement as HTMLElement;
    document.body.append(host);
    await fixture.whenStable();
  });
  afterEach(() => host.remove());

  it('say each dog once to who cannot see them: with whom, when, and what is done', () => {
    expect([...host.querySelectorAll('button.tag')].map((b) => b.getAttribute('aria-label'))).toEqual([
      'FIG with imke at 09:00, bath and table, until 09:40',
      'MOSS with imke at 10:40, table, until 11:40, put by hand',
    ]);
    expect(host.textContent).toContain('Break 12:00 to 12:30');
  });

  it('choose a dog by a press, and move it with Alt and the arrows', () => {
    tag('FIG').click();
    press(tag('FIG'), 'ArrowRight');
    press(tag('FIG'), 'ArrowDown');
    press(tag('FIG'), 'ArrowUp');
    press(tag('FIG'), 'ArrowRight', false);
    const page = fixture.componentInstance;
    expect(page.chosen).toEqual(['fig']);
    // Above the first line there is nobody.
    expect(page.moved).toEqual([
      { visitId: 'fig', person: 'imke', from: 555 },
      { visitId: 'fig', person: 'odette', from: 540 },
    ]);
  });

  it('move nothing for who may not', async () => {
    fixture.componentInstance.may.set(false);
    await fixture.whenStable();
    press(tag('FIG'), 'ArrowRight');
    expect(fixture.componentInstance.moved).toEqual([]);
  });

  it('tell where a tag is held while it is dragged, and take it where it is let go', async () => {
    const from = tag('MOSS').getBoundingClientRect();
    const to = host.querySelector('[data-person="odette"]')?.getBoundingClientRect();
    const track = host.querySelector('.track')?.getBoundingClientRect();
    if (!to || !track) throw new Error('no lines');
    const hour = track.width / 8;
    const mouse = (type: string, on: EventTarget, x: number, y: number): void => {
      on.dispatchEvent(new MouseEvent(type, { bubbles: true, cancelable: true, clientX: x, clientY: y, buttons: 1, button: 0, detail: 1 }));
    };
    const [x, y] = [from.left + 8, from.top + 8];
    mouse('mousedown', tag('MOSS'), x, y);
    // The first move only says that it is a drag.
    mouse('mousemove', document, x + hour / 2, to.top + 20);
    mouse('mousemove', document, x + hour, to.top + 20);
    mouse('mouseup', document, x + hour, to.top + 20);
    await fixture.whenStable();
    const page = fixture.componentInstance;
    expect(page.moving).toContain({ visitId: 'moss', person: 'odette', from: 700 });
    expect(page.moved).toEqual([{ visitId: 'moss', person: 'odette', from: 700 }]);
    expect(page.moving.at(-1)).toBeUndefined();
  });
});

describe('what is said of a day', () => {
  it('has chances in plain words', () => {
    expect([0.99, 0.81, 0.04].map(inTen)).toEqual(['almost surely', 'about 8 in 10', 'hardly ever']);
  });

  it('finds who will be late, against what was booked or told last, the latest first', () => {
    const tagOf = (id: string, readyToldAt?: string): Tag => ({
      visit: {
        visitId: id,
        dogId: id,
        arrivesAt: '',
        groomerId: '',
        dog: { name: id },
        visitsBefore: 0,
        warned: null,
        cursor: 0,
        tag: '',
        events: [],
      } as unknown as Tag['visit'],
      state: { ...emptyVisit(id), arrivesAt: '2026-12-01T09:00:00Z', readyToldAt },
      phase: 'know',
      kinds: [],
      groomer: '',
      leftOver: false,
    });
    const end = (id: string, at: number) => ({ dog: id, inTime: 0.5, end: at, endLate: at + 20 });
    const odds = { days: 10, inTime: 1, people: new Map(), dogs: [end('a', 652), end('b', 639), end('c', 700), end('d', 652)] };
    // Booked for 09:00 and 90 minutes: fetched at 10:30.
    const late = lateDogs([tagOf('a'), tagOf('b'), tagOf('c'), tagOf('d', '2026-12-01T10:50:00Z')], odds, 'UTC');
    expect(late.map((l) => [l.visitId, l.by, l.ready])).toEqual([
      ['c', 70, 700],
      ['a', 25, 655],
    ]);
    expect(late[0]?.message.facts.text).toBe('11:40');
  });
});
