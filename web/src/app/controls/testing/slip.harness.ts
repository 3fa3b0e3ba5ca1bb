import { ComponentHarness, type TestElement, TestKey } from '@angular/cdk/testing';

/** A slip beside the work. */
export class SlipHarness extends ComponentHarness {
  static readonly hostSelector = 'man-slip';
  private readonly paper = this.locatorFor('[role=dialog]');
  private readonly head = this.locatorFor('h2');
  private readonly closer = this.locatorFor('header button');
  async name(): Promise<string> {
    const id = await (await this.head()).getAttribute('id');
    const says = await (await this.paper()).getAttribute('aria-labelledby');
    return id === says ? (await this.head()).text() : '';
  }
  async hasFocus(): Promise<boolean> {
    return (await this.paper()).isFocused();
  }
  async close(): Promise<void> {
    await (await this.closer()).click();
  }
  async escape(): Promise<void> {
    // Real Escape bubbles to where the keys of the screen are heard.
    await (await this.paper()).sendKeys(TestKey.ESCAPE);
  }
}

/** A slip over the sheet: it lies in the overlay, outside of its component. */
export class OverSlipHarness extends ComponentHarness {
  static readonly hostSelector = 'man-over-slip';
  private readonly dialog = this.documentRootLocatorFactory().locatorForOptional('cdk-dialog-container');
  private readonly closer = this.documentRootLocatorFactory().locatorFor('cdk-dialog-container header button');
  async isOpen(): Promise<boolean> {
    return (await this.dialog()) !== null;
  }
  async name(): Promise<string> {
    const id = await (await this.dialog())?.getAttribute('aria-labelledby');
    return id ? (await (await this.documentRootLocatorFactory().locatorFor(`#${id}`)()).text()).trim() : '';
  }
  async close(): Promise<void> {
    await (await this.closer()).click();
  }
}

/** The keys of a screen. */
export class KeysListHarness extends ComponentHarness {
  static readonly hostSelector = 'man-keys-list';
  private readonly caps = this.locatorForAll('li > kbd');
  private readonly says = this.locatorForAll('li > kbd + span');
  private readonly others = this.locatorForAll('li > button:first-of-type');
  private readonly resetter = this.locatorFor('.row > button');
  async keys(): Promise<string[]> {
    const says = await Promise.all((await this.says()).map((s) => s.text()));
    return Promise.all((await this.caps()).map(async (cap, i) => `${await cap.text()} ${says[i] ?? ''}`));
  }
  /** Gives the action at a place another key. */
  async change(place: number, key: string): Promise<void> {
    const button: TestElement | undefined = (await this.others())[place];
    await button?.click();
    await button?.dispatchEvent('keydown', { key });
  }
  async reset(): Promise<void> {
    await (await this.resetter()).click();
  }
}
