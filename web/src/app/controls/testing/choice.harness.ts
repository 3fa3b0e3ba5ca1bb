import { type BaseHarnessFilters, ComponentHarness, HarnessPredicate, type TestElement } from '@angular/cdk/testing';

export interface Labelled extends BaseHarnessFilters {
  readonly label?: string | RegExp;
}

async function textOf(element: TestElement): Promise<string> {
  return (await element.text()).trim();
}

abstract class GroupHarness extends ComponentHarness {
  protected abstract readonly pressed: string;
  protected abstract readonly group: () => Promise<TestElement>;
  private readonly buttons = this.locatorForAll('button');
  private readonly heads = this.locatorForAll('.field-label');

  /** What the group is called, seen or said. */
  async label(): Promise<string> {
    const head = (await this.heads())[0];
    return head ? textOf(head) : ((await (await this.group()).getAttribute('aria-label')) ?? '');
  }
  async choices(): Promise<string[]> {
    return Promise.all((await this.buttons()).map(textOf));
  }
  /** Presses a choice by what stands on it. */
  async press(text: string): Promise<void> {
    await (await this.find(text)).click();
  }
  async shut(): Promise<string[]> {
    return this.those(async (b) => (await b.getProperty<boolean>('disabled')) === true);
  }
  /** The choice that Tab comes to. */
  async tabStop(): Promise<string[]> {
    return this.those(async (b) => (await b.getAttribute('tabindex')) === '0');
  }
  async on(): Promise<string[]> {
    return this.those(async (b) => (await b.getAttribute(this.pressed)) === 'true');
  }
  protected async find(text: string): Promise<TestElement> {
    for (const button of await this.buttons()) if ((await textOf(button)) === text) return button;
    throw new Error(`no choice ${text} among ${(await this.choices()).join(' | ')}`);
  }
  private async those(so: (button: TestElement) => Promise<boolean>): Promise<string[]> {
    const found: string[] = [];
    for (const button of await this.buttons()) if (await so(button)) found.push(await textOf(button));
    return found;
  }
}

/** One of many. */
export class ChoiceGroupHarness extends GroupHarness {
  static readonly hostSelector = 'man-choice';
  protected override readonly pressed = 'aria-checked';
  protected override readonly group = this.locatorFor('[role=radiogroup]');
  static with(filter: Labelled): HarnessPredicate<ChoiceGroupHarness> {
    return new HarnessPredicate(ChoiceGroupHarness, filter).addOption('label', filter.label, (h, label) =>
      HarnessPredicate.stringMatches(h.label(), label),
    );
  }
  async chosen(): Promise<string | undefined> {
    return (await this.on())[0];
  }
}

/** Many of many. */
export class ChoicesHarness extends GroupHarness {
  static readonly hostSelector = 'man-choices';
  protected override readonly pressed = 'aria-pressed';
  protected override readonly group = this.locatorFor('[role=toolbar]');
  static with(filter: Labelled): HarnessPredicate<ChoicesHarness> {
    return new HarnessPredicate(ChoicesHarness, filter).addOption('label', filter.label, (h, label) =>
      HarnessPredicate.stringMatches(h.label(), label),
    );
  }
}

/** One thing that is so or not. */
export class ToggleHarness extends ComponentHarness {
  static readonly hostSelector = 'man-toggle';
  private readonly button = this.locatorFor('button');
  static with(filter: Labelled): HarnessPredicate<ToggleHarness> {
    return new HarnessPredicate(ToggleHarness, filter).addOption('label', filter.label, (h, label) =>
      HarnessPredicate.stringMatches(h.label(), label),
    );
  }
  async label(): Promise<string> {
    return textOf(await this.button());
  }
  async isOn(): Promise<boolean> {
    return (await (await this.button()).getAttribute('aria-pressed')) === 'true';
  }
  async press(): Promise<void> {
    await (await this.button()).click();
  }
}

/** Several views of one thing. */
export class TabsHarness extends ComponentHarness {
  static readonly hostSelector = 'man-tabs';
  private readonly tabs = this.locatorForAll('[role=tab]');
  private readonly panel = this.locatorFor('[role=tabpanel]');
  async names(): Promise<string[]> {
    return Promise.all((await this.tabs()).map(textOf));
  }
  async open(name: string): Promise<void> {
    for (const tab of await this.tabs()) if ((await textOf(tab)) === name) return tab.click();
    throw new Error(`no tab ${name} among ${(await this.names()).join(' | ')}`);
  }
  async opened(): Promise<string | undefined> {
    for (const tab of await this.tabs()) if ((await tab.getAttribute('aria-selected')) === 'true') return textOf(tab);
    return undefined;
  }
  async says(): Promise<string> {
    return (await this.panel()).text();
  }
}
