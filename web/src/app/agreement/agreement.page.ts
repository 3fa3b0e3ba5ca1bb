import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { CONSENT_TEXT_VERSION, proposeAgreement, secondNumberMissing, standingConsents } from '@mansuet/core/agreement';
import type { AgreementOffer } from '@mansuet/core/contract';
import { PHONE } from '@mansuet/core/knowledge/dogs';
import { consentText, inBoth } from '@mansuet/core/locales';
import type { EventDraft, Signature } from '@mansuet/core/log';
import type { PlanInput } from '@mansuet/core/plan';
import { CONSENT_IDS, type ConsentId, SERVICE_ITEMS, type ServiceItem } from '@mansuet/core/words';
import { ClockService } from '../server/clock.service';
import { type Choice, choicesOf } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { Choices } from '../controls/choices';
import { Notice } from '../controls/notice';
import { NumberField } from '../controls/number-field';
import { TextField } from '../controls/text-field';
import { Toggle } from '../controls/toggle';
import { SessionService } from '../server/session.service';
import { PlanStore } from '../visit/plan-store';
import { OtherSide } from '../visit/other-side';
import { VisitStore } from '../visit/visit-store';
import { RANGES, vetLimit } from '../wording/ranges';
import { aboutMinutes, dayInWords, money } from '../wording/time';
import { AlternativesPanel } from './alternatives-panel';
import { SecondNumber } from './second-number';
import { PhoneLink } from './phone-link';
import { SignatureField } from './signature-field';
import { Words } from '../wording/words.service';

/** Agree: what the owner asks, what is possible and why not more, time, price, consent. */
@Component({
  selector: 'man-agreement',
  imports: [
    AlternativesPanel,
    ChoiceGroup,
    Choices,
    Notice,
    OtherSide,
    NumberField,
    PhoneLink,
    SecondNumber,
    SignatureField,
    TextField,
    Toggle,
  ],
  templateUrl: './agreement.page.html',
  styleUrl: './agreement.page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AgreementPage {
  private readonly words = inject(Words);
  private readonly clock = inject(ClockService);
  private readonly router = inject(Router);
  private readonly plans = inject(PlanStore);
  protected readonly session = inject(SessionService);
  protected readonly store = inject(VisitStore);

  protected readonly items = choicesOf(SERVICE_ITEMS, this.words.labels.service);
  protected readonly plan = this.plans.plan;
  protected readonly trouble = this.plans.trouble;
  /** The plan will not change any more: only now is it signed, and nothing moves the field under a finger. */
  protected readonly final = computed(() => this.proposal() !== undefined && this.plans.isFinal());
  protected readonly typedName = signal<string | undefined>(undefined);
  protected readonly nameError = signal('');
  protected readonly signature = signal<Signature | undefined>(undefined);
  /** Agreed without a signature: somebody heard it. */
  protected readonly byWord = signal(false);
  protected readonly textVersion = CONSENT_TEXT_VERSION;
  protected readonly ranges = RANGES;
  protected readonly limitRange = computed(() => vetLimit(this.store.context()?.salon.currency ?? ''));
  protected readonly round = Math.round;
  protected readonly time = (moment: string | number): string => this.clock.sayTime(moment);

  protected readonly name = computed(() => this.typedName() ?? this.store.context()?.file.owner.name ?? '');
  protected readonly asked = computed(() => this.store.state().asked);
  protected readonly wantedBoth = computed(() => inBoth(this.words.language, this.asked().wantedMm));
  protected readonly proposal = computed(() => {
    const plan = this.plan();
    const input = this.store.planInput();
    const salon = this.store.context()?.salon;
    if (!plan || !input || !salon) return undefined;
    const p = proposeAgreement(plan, input, salon.ratePerMinuteMinor, salon.priceRule);
    return {
      ...p,
      says: p.possible.map(this.words.say),
      price: money(p.extraPriceMinor, salon.currency),
      rate: money(salon.ratePerMinuteMinor, salon.currency),
    };
  });
  protected readonly notToday = computed(
    () => this.plan()?.notToday.map((n) => ({ ...n, name: this.words.say(n.what), says: n.reasons.map(this.words.say) })) ?? [],
  );
  /** What this owner agreed to at an earlier visit and still holds: shown, and not asked again. */
  protected readonly standing = computed(() => {
    return new Map(standingConsents(this.store.past(), this.store.today(), this.store.house()).map((c) => [c.id, c]));
  });
  protected readonly day = (iso: string): string => dayInWords(iso, this.store.today());
  /** Asked for by the plan, and those refused: a refusal may have taken its work out of the plan. */
  protected readonly consents = computed(() => {
    const asked = this.proposal()?.consents ?? [];
    const refused = CONSENT_IDS.filter((id) => this.store.state().consents.get(id)?.agreed === false && !asked.some((c) => c.id === id));
    return [...asked, ...refused.map((id) => ({ id, required: false }))].map((c) => ({ ...c, text: this.consentWords(c.id) }));
  });
  /** What a vet may cost before we ring, in whole coins. */
  protected readonly limit = computed(() => {
    const minor = (this.store.state().consents.get('vet_emergency') ?? this.standing().get('vet_emergency'))?.limitMinor;
    return this.typedLimit() ?? (minor === undefined ? null : minor / 100);
  });
  /** A second number as it was told with this consent, `null` when there is none. */
  protected readonly secondPhone = computed(() => {
    const said = (this.store.state().consents.get('vet_emergency') ?? this.standing().get('vet_emergency'))?.secondPhone;
    const typed = this.typedSecond();
    return typed ? typed.value : said;
  });
  /** Said on this screen, taken back with `undefined`. */
  private readonly typedSecond = signal<{ readonly value: string | null | undefined } | undefined>(undefined);
  /** The file knows only one number. */
  protected readonly asksSecond = computed(() => {
    const owner = this.store.context()?.file.owner;
    return owner !== undefined && secondNumberMissing(owner, undefined);
  });
  /** It is asked for, and nobody has answered. What is signed already is not held up by a question that came later. */
  protected readonly secondMissing = computed(() => {
    const owner = this.store.context()?.file.owner;
    if (this.store.state().agreed) return false;
    return this.holds('vet_emergency') && owner !== undefined && secondNumberMissing(owner, this.secondPhone());
  });
  private readonly typedLimit = signal<number | null | undefined>(undefined);
  /** The same as this screen shows, for the owner's phone. */
  protected readonly offer = computed<AgreementOffer | undefined>(() => {
    const plan = this.plan();
    const proposal = this.proposal();
    const salon = this.store.context()?.salon;
    if (!plan || !proposal || !salon) return undefined;
    const words = { vet: 'For a vet', another_visit: 'Another day', left: 'Not possible' };
    return {
      dogName: this.store.name(),
      asked: [
        ...this.asked().items.map((i) => this.words.labels.service[i]),
        ...(this.asked().items.includes('body_clip') ? [`body coat ${inBoth(this.words.language, this.asked().wantedMm)}`] : []),
      ],
      possible: [`It takes ${aboutMinutes(plan.minutes, plan.minutesRange)}, breaks included.`, ...proposal.says],
      notToday: this.notToday().map((n) => `${words[n.to]}: ${this.words.say(n.what)}. ${n.says[0] ?? ''}`),
      extra:
        proposal.extraMinutes > 0
          ? `Extra time for matting: ${proposal.price} for about ${proposal.extraMinutes} min (${proposal.extraMinutesRange[0]} to ${proposal.extraMinutesRange[1]}).`
          : 'No extra price.',
      extraMinutes: proposal.extraMinutes,
      extraPriceMinor: proposal.extraPriceMinor,
      consents: proposal.consents.map((c) => ({ id: c.id, text: this.consentWords(c.id), required: c.required })),
      textVersion: CONSENT_TEXT_VERSION,
      currency: salon.currency,
      asksSecondNumber: this.asksSecond(),
    };
  });
  protected readonly missing = computed(() => this.proposal()?.consents.filter((c) => c.required && !this.holds(c.id)) ?? []);

  constructor() {
    this.plans.watch({ check: true });
    // What was signed was another plan: it is signed anew.
    effect(() => {
      if (!this.final()) this.signature.set(undefined);
    });
  }

  /** Agreed today, or before and not refused today. */
  private holds(id: ConsentId): boolean {
    return this.store.state().consents.get(id)?.agreed ?? this.standing().has(id);
  }

  protected consentWords(id: ConsentId): string {
    return consentText(this.words.language, id, CONSENT_TEXT_VERSION) ?? '';
  }

  protected change(
    change: Partial<{ items: ServiceItem[]; wantedMm: number | null; sessionMinutes: number | null; returnWeeks: number | null }>,
    helperThere = this.store.state().helperThere,
  ): void {
    const asked = this.asked();
    const wantedMm = change.wantedMm ?? asked.wantedMm;
    const sessionMinutes = Math.round(change.sessionMinutes ?? asked.sessionMinutes);
    const returnWeeks = change.returnWeeks === undefined ? asked.returnWeeks : (change.returnWeeks ?? undefined);
    void this.store.ask({ asked: { items: change.items ?? asked.items, wantedMm, sessionMinutes, returnWeeks }, helperThere });
  }
  /** Agrees or refuses; once it is all signed, only a refusal is still open. */
  protected answersTo(c: { readonly id: ConsentId; readonly text: string }): readonly Choice<boolean>[] {
    const { agreed, consents } = this.store.state();
    return [
      { value: true, label: 'Agrees', says: `Agrees: ${c.text}`, disabled: agreed !== undefined && consents.get(c.id)?.agreed !== true },
      { value: false, label: 'Refuses', says: `Refuses: ${c.text}` },
    ];
  }
  protected toggle(item: ServiceItem): void {
    const items = this.asked().items;
    this.change({ items: items.includes(item) ? items.filter((i) => i !== item) : [...items, item] });
  }

  protected async answer(consent: ConsentId, agreed: boolean): Promise<void> {
    const name = this.name().trim();
    if (!name) {
      this.nameError.set('Who agrees? Give the name first.');
      return;
    }
    this.nameError.set('');
    const limit = this.limit();
    const second = this.secondPhone();
    const emergency =
      consent === 'vet_emergency' && agreed
        ? { ...(limit === null ? {} : { limitMinor: Math.round(limit * 100) }), ...(second === undefined ? {} : { secondPhone: second }) }
        : {};
    await this.store.record({
      type: 'consent_answered',
      body: { consent, agreed, name, textVersion: CONSENT_TEXT_VERSION, via: 'screen', ...emergency },
    });
  }

  protected setLimit(value: number | null): void {
    this.typedLimit.set(value);
    // An answer that was given already is given again with the new limit: the record shows both.
    if (this.holds('vet_emergency')) void this.answer('vet_emergency', true);
  }

  protected setSecond(value: string | null | undefined): void {
    const read = value === null || value === undefined ? undefined : PHONE.safeParse(value);
    const owner = this.store.context()?.file.owner;
    this.secondError.set(
      read?.success === false
        ? $localize`:@@agree.secondLetters:A number is written with digits, + ( ) / . and -.`
        : value && owner && secondNumberMissing(owner, value)
          ? $localize`:@@agree.secondSame:That is the number in the file. Give another one, or say that there is none.`
          : '',
    );
    if (this.secondError() !== '') return;
    this.typedSecond.set({ value });
    if (this.holds('vet_emergency')) void this.answer('vet_emergency', true);
  }
  protected readonly secondError = signal('');

  /** What is signed is not changed behind the signature: the owner signs what was changed. Refusing stays possible at any time. */
  protected async openAgain(): Promise<void> {
    const agreed = this.store.state().agreed;
    this.byWord.set(false);
    this.signature.set(undefined);
    if (agreed) await this.store.record({ type: 'voided', body: { target: agreed.eventId, why: 'The owner changes the agreement.' } });
  }

  /** Another way is what is asked for now. */
  protected take(input: PlanInput): void {
    void this.store.ask({ asked: input.asked, helperThere: input.helperThere });
  }

  /** The owner refuses what cannot be left out: nothing is done today. */
  protected async stopHere(): Promise<void> {
    const refused = this.missing().find((c) => this.store.state().consents.get(c.id)?.agreed === false);
    await this.store.record({
      type: 'visit_ended',
      body: {
        outcome: 'not_today',
        why: refused ? `The owner does not agree: ${this.consentWords(refused.id)}` : 'Agreed with the owner: not today.',
      },
    });
    await this.router.navigate(['/visits', this.store.visitId(), 'hand_back']);
  }

  protected async close(): Promise<void> {
    const proposal = this.proposal();
    const name = this.name().trim();
    if (!name) {
      this.nameError.set('Who agrees? Give the name first.');
      return;
    }
    const signature = this.signature();
    if (!proposal || !this.final() || this.missing().length > 0 || this.secondMissing()) return;
    if (!this.store.state().agreed && !signature && !this.byWord()) return;
    if (!this.store.state().agreed) {
      // What holds from before is written into this visit's record, too, as what it is.
      const held: EventDraft[] = [];
      for (const { id } of proposal.consents) {
        const before = this.store.state().consents.has(id) ? undefined : this.standing().get(id);
        if (!before) continue;
        const also = {
          ...(before.limitMinor === undefined ? {} : { limitMinor: before.limitMinor }),
          ...(before.secondPhone === undefined ? {} : { secondPhone: before.secondPhone }),
        };
        const said = { consent: id, agreed: true, name: before.name, textVersion: CONSENT_TEXT_VERSION, via: 'earlier' as const };
        held.push({ type: 'consent_answered', body: { ...said, ...also } });
      }
      const agreed: EventDraft = {
        type: 'agreed',
        body: {
          name,
          extraMinutes: proposal.extraMinutes,
          extraPriceMinor: proposal.extraPriceMinor,
          textVersion: CONSENT_TEXT_VERSION,
          ...(signature ? { signature, via: 'screen' as const } : { via: 'word' as const }),
        },
      };
      const [first = agreed, ...more] = [...held, agreed];
      if (!(await this.store.record(first, ...more))) return;
    }
    await this.router.navigate(['/visits', this.store.visitId(), 'plan']);
  }
}
