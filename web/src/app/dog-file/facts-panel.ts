import { ChangeDetectionStrategy, Component, computed, input, inject } from '@angular/core';
import type { DogFile } from '@mansuet/core/contract';
import { unitFor } from '@mansuet/core/locales';
import { type OldInjury, weightChange } from '@mansuet/core/knowledge/dogs';
import { knownFacts } from '@mansuet/core/visit';
import type { Joint } from '@mansuet/core/words';
import { Notice } from '../controls/notice';
import { TrendLine, type TrendPoint } from './trend-line';
import { dayInWords } from '../wording/time';
import { Words } from '../wording/words.service';
import { FORMATS, kgOf } from '../wording/formats';

/** "Not asked" is an answer of its own. */
const ASKED = (answer: boolean | null, yes: string, no: string): string => (answer === null ? 'not asked' : answer ? yes : no);

/** Who the dog is, whose it is, and its weight through time. */
@Component({
  selector: 'man-facts-panel',
  imports: [Notice, TrendLine],
  template: `<h2>Facts</h2>
    <dl>
      @for (f of facts(); track f[0]) {
        <dt>{{ f[0] }}</dt>
        <dd>{{ f[1] }}</dd>
      }
    </dl>
    @if (weights().length > 1) {
      <h3>Weight</h3>
      <man-trend-line [points]="weights()" [unit]="weightUnit()" label="Weight" />
      <p class="quiet small">Full: on the scale. Open: as told or typed in.</p>
    }
    @if (change(); as c) {
      @if (c.showVet) {
        <man-notice kind="vet" [says]="c.says" />
      } @else {
        <p class="quiet small">{{ c.says }}</p>
      }
    }
    <dl>
      <dt>Owner</dt>
      <dd>
        {{ file().owner.name }}<br />
        @if (file().owner.phone) {
          <a [href]="'tel:' + file().owner.phone">{{ file().owner.phone }}</a>
        } @else {
          no number
        }
      </dd>
      @for (c of file().owner.contacts; track $index) {
        <dt>{{ c.name }}, {{ roles[c.role] }}</dt>
        <dd>
          <a [href]="'tel:' + c.phone">{{ c.phone || 'no number' }}</a>
        </dd>
      }
      <dt>Vet</dt>
      <dd>
        {{ file().dog.vetName || 'not told' }}
        @if (file().dog.vetPhone) {
          <br /><a [href]="'tel:' + file().dog.vetPhone">{{ file().dog.vetPhone }}</a>
        }
      </dd>
    </dl>`,
  styleUrl: './dog-file-view.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FactsPanel {
  private readonly words = inject(Words);
  readonly file = input.required<DogFile>();
  readonly today = input.required<string>();
  protected readonly roles = this.words.labels.contactRole;

  protected readonly facts = computed(() => {
    const d = this.file().dog;
    const past = this.file().visits.map((v) => v.summary);
    // What was seen here counts beside what was told.
    const { warned } = knownFacts(d, past, this.today());
    const off = d.bornWithinMonths;
    const sure = off > 0 ? `, give or take ${off} months` : d.bornEstimated ? ', an estimate' : '';
    return [
      ['Age', `${this.words.age(d.born, this.today())}${sure}`],
      ['Weight', `${kgOf(d.weightKg)}, ${d.build} build${d.size ? ', ' + d.size : ''}`],
      ['Sex', `${d.sex}${d.neutered ? ', neutered' : ''}`],
      ['Coat', d.coat],
      ['Head', `${d.nose} nose, ${d.ears} ears`],
      ['Health, as told', d.conditions.map((c) => this.words.labels.condition[c]).join(', ') || 'nothing told'],
      ['Medicines, as told', d.medicines.join(', ') || 'none told'],
      ['Cannot have', d.productAllergies.join(', ') || 'nothing told'],
      ['Sets it off', d.triggers.map((t) => (t.place ? `${t.cause} (${t.place})` : t.cause)).join(', ') || 'nothing known'],
      ['Minds a hand on', d.resents.map((p) => this.words.labels.resented[p]).join(', ') || 'nothing told'],
      ['Bite history', d.biteHistory ? 'has bitten while handled' : 'none told'],
      ['Lately', warned ? `${warned.what} while handled, ${this.day(warned.on)}` : 'no growl or snap told or seen'],
      ['Hurt before', d.injuries.map((i) => this.injury(i)).join('; ') || 'not told'],
      ['Coat done last', this.coatDone()],
      ['Muzzle', ASKED(d.muzzleUsed, 'used to one', 'not used to one')],
      ['Lifted', ASKED(d.soreWhenLifted, 'sore when lifted', 'lifts well')],
      ['Lies willingly on', d.liesOn ? this.words.labels.liesOn[d.liesOn] : 'not asked'],
      ['Collar', ASKED(d.slipsCollar, 'slips it', 'stays in it')],
      ['Guards', d.guards.map((g) => this.words.labels.guarded[g]).join(', ') || 'nothing told'],
      ['Stands well for', d.standingSeenMinutes === null ? 'not timed yet' : `${d.standingSeenMinutes} min, seen`],
      ['Joints', this.joints()],
      ['Treats', d.treatsAllowed ? 'allowed' : 'not allowed'],
    ] as const;
  });
  private readonly day = (date: string): string => dayInWords(date, this.today());
  private injury(i: OldInjury): string {
    return [
      this.words.labels.injury[i.kind],
      i.zone ? this.words.labels.zone[i.zone] : '',
      i.on ? this.day(i.on) : '',
      i.here ? 'here' : 'elsewhere',
    ]
      .filter((x) => x !== '')
      .join(', ');
  }
  private coatDone(): string {
    const { groomedBy, groomedOn } = this.file().dog;
    if (!groomedBy && !groomedOn) return 'not asked';
    return [
      groomedBy ? `${groomedBy === 'here' ? '' : 'by '}${this.words.labels.groomedBy[groomedBy]}` : '',
      groomedOn ? this.day(groomedOn) : '',
    ]
      .filter((x) => x !== '')
      .join(', ');
  }
  /** The last visit that felt them; older summaries did not write them down. */
  private joints(): string {
    const seen = this.file().visits.find((v) => v.summary.joints !== undefined);
    if (!seen) return 'not felt yet';
    const stiff = (Object.entries(seen.summary.joints ?? {}) as [Joint, string][])
      .filter(([, comfort]) => comfort !== 'free')
      .map(([joint, comfort]) => `${this.words.labels.joint[joint]} ${comfort}`);
    const spares = seen.summary.favours ? `, spared its ${this.words.labels.leg[seen.summary.favours]}` : '';
    return `${stiff.join(', ') || 'all free'}${spares} (${this.day(seen.summary.on ?? seen.arrivesAt.slice(0, 10))})`;
  }
  private readonly unit = computed(() => unitFor('kg', FORMATS()));
  protected readonly weightUnit = computed(() => this.unit().sign);
  protected readonly weights = computed<readonly TrendPoint[]>(() =>
    this.file().weights.map((w) => ({ on: w.on, value: this.unit().shown(w.kg), firm: w.by === 'scale' })),
  );
  protected readonly change = computed(() => {
    const found = weightChange(this.file().weights);
    return found && Math.abs(found.change) >= 0.03 ? { showVet: found.showVet, says: this.words.say(found.because) } : undefined;
  });
}
