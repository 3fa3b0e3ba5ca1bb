import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { HOUSE_DEFAULTS, schoolsOf } from '@mansuet/core/knowledge/house-rules';
import type { SchoolWords } from '@mansuet/core/locales';
import { FLOOR_IDS, HOUSE_QUESTION_IDS, type HouseQuestion } from '@mansuet/core/words';
import { Notice } from '../controls/notice';
import { sayFailure } from '../server/api.service';
import { SessionService } from '../server/session.service';
import { BladesOwnedPanel } from './blades-owned';
import { Words } from '../wording/words.service';

interface Answered {
  readonly question: HouseQuestion;
  readonly from: string;
  readonly to: string;
}

/** What groomers disagree on: the salon's school for each question, why, and what it changes. Below them what nobody may lower. */
@Component({
  selector: 'man-house-rules',
  imports: [BladesOwnedPanel, Notice],
  templateUrl: './house-rules.page.html',
  styleUrl: './house-rules.page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HouseRulesPage {
  private readonly words = inject(Words);
  private readonly session = inject(SessionService);
  protected readonly mayChange = computed(() => this.session.may('house_rules'));
  protected readonly floors = FLOOR_IDS.map((id) => this.words.labels.floor[id]);
  /** Why an answer was not stored, by question. */
  protected readonly trouble = signal<ReadonlyMap<HouseQuestion, string>>(new Map());
  protected readonly last = signal<Answered | undefined>(undefined);
  protected readonly saving = signal<HouseQuestion | undefined>(undefined);

  protected readonly questions = computed(() => {
    const house = this.session.signedIn()?.salon.house ?? HOUSE_DEFAULTS;
    return HOUSE_QUESTION_IDS.map((id) => ({
      id,
      question: this.words.language.house[id].question,
      changes: this.words.language.house[id].changes,
      ours: house[id] === HOUSE_DEFAULTS[id],
      schools: schoolsOf(id).map((school) => ({ id: school, ...this.schoolWords(id, school), chosen: house[id] === school })),
    }));
  });
  protected readonly own = computed(() => this.questions().filter((q) => !q.ours).length);

  private schoolWords(question: HouseQuestion, school: string): SchoolWords {
    const schools: Readonly<Record<string, SchoolWords>> = this.words.language.house[question].schools;
    return schools[school] ?? { label: school, why: '' };
  }

  protected choose(question: HouseQuestion, to: string): Promise<void> {
    return this.answer(question, to);
  }

  protected async undo(): Promise<void> {
    const last = this.last();
    if (!last) return;
    await this.answer(last.question, last.from);
    this.last.set(undefined);
  }

  private async answer(question: HouseQuestion, choice: string): Promise<void> {
    const was = this.session.signedIn()?.salon.house[question] ?? HOUSE_DEFAULTS[question];
    if (choice === was) return;
    this.saving.set(question);
    const answer = await this.session.answerHouseRule({ question, choice, was });
    this.saving.set(undefined);
    const trouble = new Map(this.trouble());
    if (answer.ok) {
      trouble.delete(question);
      this.last.set({ question, from: was, to: choice });
    } else {
      trouble.set(question, sayFailure(this.words, answer.failure));
      // Somebody else was first: show what holds now.
      await this.session.renew();
    }
    this.trouble.set(trouble);
  }

  protected readonly lastSays = computed(() => {
    const last = this.last();
    if (!last) return '';
    const school = this.schoolWords(last.question, last.to).label;
    return `${this.words.language.house[last.question].question}: ${school}. Plans made from now on follow it.`;
  });
}
