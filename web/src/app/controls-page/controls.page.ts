import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { COATS, FIT_SIGNS, type FitSign, type Mood, MOODS } from '@mansuet/core/words';
import { type Choice, choicesOf } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { Choices } from '../controls/choices';
import { Cell, type Column, DataTable } from '../controls/data-table';
import { DateField } from '../controls/date-field';
import { EmptyState } from '../controls/empty-state';
import { FormErrors } from '../controls/form-errors';
import { Keymap } from '../controls/keymap';
import { KeysList } from '../controls/keys-list';
import { Notice } from '../controls/notice';
import { NumberField } from '../controls/number-field';
import { OverSlip } from '../controls/over-slip';
import { Progress } from '../controls/progress';
import { SearchField } from '../controls/search-field';
import { SelectField } from '../controls/select-field';
import { Slip } from '../controls/slip';
import { type Tab, TabPanel, Tabs } from '../controls/tabs';
import { TextField } from '../controls/text-field';
import { Toggle } from '../controls/toggle';
import { RANGES } from '../wording/ranges';
import { Words } from '../wording/words.service';

const SIGNS = 5;

/** All controls in all states, for whoever builds a screen. Only the demo has it. */
@Component({
  selector: 'man-controls-page',
  imports: [
    Cell,
    ChoiceGroup,
    Choices,
    DataTable,
    DateField,
    EmptyState,
    FormErrors,
    KeysList,
    Notice,
    NumberField,
    OverSlip,
    Progress,
    RouterLink,
    SearchField,
    SelectField,
    Slip,
    TabPanel,
    Tabs,
    TextField,
    Toggle,
  ],
  templateUrl: './controls.page.html',
  styleUrl: './controls.page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ControlsPage {
  private readonly words = inject(Words);
  protected readonly keymap = inject(Keymap);
  protected readonly moods = choicesOf(MOODS, this.words.labels.mood);
  protected readonly mood = signal<Mood>('still');
  protected readonly blades: readonly Choice<string>[] = [
    { value: '10', label: '#10', detail: '1.5 mm' },
    { value: '7f', label: '#7F', detail: 'Not in a fold: thin skin rises into the teeth.', disabled: true },
  ];
  protected readonly blade = signal('10');
  protected readonly signs = choicesOf(FIT_SIGNS.slice(0, SIGNS), this.words.labels.fitSign);
  protected readonly seen = signal<readonly FitSign[]>([FIT_SIGNS[1]]);
  protected readonly on = signal(true);
  protected readonly name = signal('');
  protected readonly born = signal('2020-03-12');
  protected readonly length = signal(9);
  protected readonly ranges = RANGES;
  protected readonly coats = choicesOf(COATS, this.words.labels.coat);
  protected readonly coat = signal<(typeof COATS)[number] | null>(null);
  protected readonly errors = signal<ReadonlyMap<string, string>>(new Map());
  protected readonly tabs: readonly Tab[] = [
    { id: 'steps', label: 'Steps', key: '1' },
    { id: 'ways', label: 'Other ways', key: '2' },
    { id: 'odds', label: 'Odds and hazards', key: '3' },
  ];
  protected readonly tab = signal('steps');
  protected readonly columns: readonly Column[] = [
    { id: 'what', head: 'Tool and place' },
    { id: 'rate', head: 'Points a minute' },
  ];
  protected readonly rows = [
    { what: 'clipper, feet, standing', rate: '3.2 (2.4 to 4.1)' },
    { what: 'dryer, head, lying', rate: '1.1 (0.6 to 1.8)' },
  ];
  protected readonly over = signal(false);
  protected readonly beside = signal(false);
  protected readonly draft = signal('');
  protected readonly said = signal('');

  constructor() {
    this.keymap.use($localize`:@@controls.name:the controls`, () =>
      this.tabs.map((t) => ({ id: `controls.${t.id}`, key: t.key ?? '', says: t.label, act: () => this.tab.set(t.id) })),
    );
  }

  protected toggle(sign: FitSign): void {
    this.seen.update((s) => (s.includes(sign) ? s.filter((x) => x !== sign) : [...s, sign]));
  }
  protected check(event: Event): void {
    event.preventDefault();
    this.errors.set(new Map(this.name() === '' ? [['name', $localize`:@@controls.noName:Give it a name.`]] : []));
  }
}
