import { ComponentHarness, ContentContainerComponentHarness, HarnessPredicate } from '@angular/cdk/testing';
import type { NoticeKind } from '../notice';

/** Something that is said and stays. */
export class NoticeHarness extends ContentContainerComponentHarness {
  static readonly hostSelector = 'man-notice';
  static with(filter: { readonly kind: NoticeKind }): HarnessPredicate<NoticeHarness> {
    return new HarnessPredicate(NoticeHarness, {}).addOption('kind', filter.kind, async (h, kind) => (await h.host()).hasClass(kind));
  }
  async says(): Promise<string> {
    return (await this.isThere()) ? (await (await this.host()).text()).trim() : '';
  }
  async isThere(): Promise<boolean> {
    return !(await (await this.host()).getProperty<boolean>('hidden'));
  }
  async role(): Promise<string | null> {
    return (await this.host()).getAttribute('role');
  }
}

/** Something takes a while. */
export class ProgressHarness extends ComponentHarness {
  static readonly hostSelector = 'man-progress';
  private readonly bar = this.locatorFor('[role=progressbar]');
  private readonly stopper = this.locatorForAll('button');
  /** How far, per cent; `null` when nobody knows. */
  async percent(): Promise<string | null> {
    return (await this.bar()).getAttribute('aria-valuenow');
  }
  async stop(): Promise<void> {
    await (await this.stopper())[0]?.click();
  }
}

/** Nothing is here yet. */
export class EmptyStateHarness extends ContentContainerComponentHarness {
  static readonly hostSelector = 'man-empty';
  async says(): Promise<string> {
    return (await (await this.host()).text()).replace(/\s+/g, ' ').trim();
  }
}

/** Rows and columns. */
export class DataTableHarness extends ComponentHarness {
  static readonly hostSelector = 'man-data-table';
  private readonly region = this.locatorFor('[role=region]');
  private readonly heads = this.locatorForAll('th');
  private readonly cells = this.locatorForAll('td');
  async label(): Promise<string | null> {
    return (await this.region()).getAttribute('aria-label');
  }
  async head(): Promise<string[]> {
    return Promise.all((await this.heads()).map((h) => h.text()));
  }
  async rows(): Promise<string[][]> {
    const cells = await Promise.all((await this.cells()).map(async (c) => (await c.text()).trim()));
    const wide = (await this.heads()).length;
    return Array.from({ length: cells.length / wide }, (_, i) => cells.slice(i * wide, (i + 1) * wide));
  }
}
