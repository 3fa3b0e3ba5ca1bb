import { type BaseHarnessFilters, ComponentHarness, type ComponentHarnessConstructor, HarnessPredicate } from '@angular/cdk/testing';

export interface Named extends BaseHarnessFilters {
  readonly label?: string | RegExp;
}

/** What all fields have: a label, what stands in them, what is wrong, what is said of them. */
abstract class FieldHarness extends ComponentHarness {
  private readonly labelled = this.locatorFor('label');
  private readonly field = this.locatorFor('input, textarea, select');
  private readonly wrong = this.locatorForAll('man-field-error [role=alert]');

  async label(): Promise<string> {
    return (await (await this.labelled()).text()).trim();
  }
  async value(): Promise<string> {
    return (await this.field()).getProperty<string>('value');
  }
  /** Types over what stands there, and leaves the field. */
  async enter(text: string): Promise<void> {
    const field = await this.field();
    await field.setInputValue(text);
    await field.dispatchEvent('input');
    await field.dispatchEvent('change');
  }
  /** Types without leaving the field. */
  async type(text: string): Promise<void> {
    const field = await this.field();
    await field.setInputValue(text);
    await field.dispatchEvent('input');
  }
  async error(): Promise<string> {
    return (await (await this.wrong())[0]?.text()) ?? '';
  }
  /** Whether label, error and hint are tied to the field for who cannot see them. */
  async tied(): Promise<{ readonly label: boolean; readonly invalid: boolean; readonly describedBy: string }> {
    const field = await this.field();
    return {
      label: (await (await this.labelled()).getAttribute('for')) === (await field.getAttribute('id')),
      invalid: (await field.getAttribute('aria-invalid')) === 'true',
      describedBy: (await field.getAttribute('aria-describedby')) ?? '',
    };
  }
  async hasFocus(): Promise<boolean> {
    return (await this.field()).isFocused();
  }
  async press(key: 'ArrowUp' | 'ArrowDown'): Promise<void> {
    await (await this.field()).dispatchEvent('keydown', { key });
  }
}

const labelled = <T extends FieldHarness>(type: ComponentHarnessConstructor<T>, filter: Named): HarnessPredicate<T> =>
  new HarnessPredicate(type, filter).addOption('label', filter.label, (h, label) => HarnessPredicate.stringMatches(h.label(), label));

export class TextFieldHarness extends FieldHarness {
  static readonly hostSelector = 'man-text';
  static with = (filter: Named): HarnessPredicate<TextFieldHarness> => labelled(TextFieldHarness, filter);
}
export class NumberFieldHarness extends FieldHarness {
  static readonly hostSelector = 'man-number';
  private readonly suffix = this.locatorFor('.ant-input-suffix');
  static with = (filter: Named): HarnessPredicate<NumberFieldHarness> => labelled(NumberFieldHarness, filter);
  async unit(): Promise<string> {
    return (await (await this.suffix()).text()).trim();
  }
}
export class DateFieldHarness extends FieldHarness {
  static readonly hostSelector = 'man-date';
  private readonly said = this.locatorFor('.words');
  static with = (filter: Named): HarnessPredicate<DateFieldHarness> => labelled(DateFieldHarness, filter);
  async words(): Promise<string> {
    return (await this.said()).text();
  }
}
export class SearchFieldHarness extends FieldHarness {
  static readonly hostSelector = 'man-search';
  private readonly status = this.locatorFor('[role=status]');
  static with = (filter: Named): HarnessPredicate<SearchFieldHarness> => labelled(SearchFieldHarness, filter);
  async says(): Promise<string> {
    return (await this.status()).text();
  }
}
export class SelectFieldHarness extends FieldHarness {
  static readonly hostSelector = 'man-select';
  private readonly select = this.locatorFor('select');
  private readonly options = this.locatorForAll('option');
  static with = (filter: Named): HarnessPredicate<SelectFieldHarness> => labelled(SelectFieldHarness, filter);
  async chosen(): Promise<string | undefined> {
    const at = await (await this.select()).getProperty<number>('selectedIndex');
    return (await this.options())[at]?.text();
  }
  async choose(text: string): Promise<void> {
    const says = await Promise.all((await this.options()).map((o) => o.text()));
    const at = says.findIndex((t) => t.trim() === text);
    if (at < 0) throw new Error(`no option ${text} among ${says.join(' | ')}`);
    await (await this.select()).selectOptions(at);
  }
}
