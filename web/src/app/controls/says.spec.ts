import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Cell, DataTable } from './data-table';
import { EmptyState } from './empty-state';
import { DataTableHarness, EmptyStateHarness, NoticeHarness, ProgressHarness } from './testing/says.harness';
import { Notice } from './notice';
import { Progress } from './progress';

@Component({
  imports: [Cell, DataTable, EmptyState, Notice, Progress],
  template: `<man-notice kind="warn" live="alert" [says]="trouble()" />
    <man-notice kind="vet">For a <b>vet</b></man-notice>
    <man-progress says="Felt over" [done]="done()" [of]="9" stop="End it" (stopped)="stopped.set(true)" />
    <man-empty head="No dog is booked" says="Find a dog first."><button type="button">Find a dog</button></man-empty>
    <man-data-table label="What it minds" [columns]="columns" [rows]="rows">
      <ng-template manCell="rate" [manCellOf]="rows" let-r>{{ r.rate.toFixed(1) }} points</ng-template>
      <ng-template manCell="what" [manCellOf]="rows" let-r>{{ r.what }}</ng-template>
    </man-data-table>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
class Page {
  readonly trouble = signal('');
  readonly done = signal<number | undefined>(undefined);
  readonly stopped = signal(false);
  readonly columns = [
    { id: 'what', head: 'What' },
    { id: 'rate', head: 'Rate' },
  ];
  readonly rows = [
    { what: 'clipper', rate: 3.21 },
    { what: 'dryer', rate: 1 },
  ];
}

describe('controls: what is said', () => {
  it('a notice is there while there is something to say, and says it at once', async () => {
    const fixture = TestBed.createComponent(Page);
    const loader = TestbedHarnessEnvironment.loader(fixture);
    const warn = await loader.getHarness(NoticeHarness.with({ kind: 'warn' }));
    expect(await warn.isThere()).toBeFalse();
    expect(await warn.role()).toBe('alert');
    fixture.componentInstance.trouble.set('It was not kept.');
    expect(await warn.says()).toBe('It was not kept.');
    expect(await (await loader.getHarness(NoticeHarness.with({ kind: 'vet' }))).says()).toBe('For a vet');
  });

  it('progress says how far it is only when that is known, and can be ended', async () => {
    const fixture = TestBed.createComponent(Page);
    const progress = await TestbedHarnessEnvironment.loader(fixture).getHarness(ProgressHarness);
    expect(await progress.percent()).toBeNull();
    fixture.componentInstance.done.set(6);
    expect(await progress.percent()).toBe('67');
    await progress.stop();
    expect(fixture.componentInstance.stopped()).toBeTrue();
  });

  it('an empty state says why, and what to do next', async () => {
    const fixture = TestBed.createComponent(Page);
    const empty = await TestbedHarnessEnvironment.loader(fixture).getHarness(EmptyStateHarness);
    expect(await empty.says()).toBe('No dog is bookedFind a dog first.Find a dog');
  });

  it('a table draws its columns in their order, with a heading that is said', async () => {
    const fixture = TestBed.createComponent(Page);
    const table = await TestbedHarnessEnvironment.loader(fixture).getHarness(DataTableHarness);
    expect(await table.label()).toBe('What it minds');
    expect(await table.head()).toEqual(['What', 'Rate']);
    expect(await table.rows()).toEqual([
      ['clipper', '3.2 points'],
      ['dryer', '1.0 points'],
    ]);
  });
});
