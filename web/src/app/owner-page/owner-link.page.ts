import { ChangeDetectionStrategy, Component, effect, inject, input, signal } from '@angular/core';
import { OWNER_LINK_VIEW, type OwnerLinkView } from '@mansuet/core/contract';
import { ApiService } from '../server/api.service';
import { OwnerAccount } from './owner-account';
import { OwnerAgreement } from './owner-agreement';
import { OwnerIntake } from './owner-intake';
import { OwnerWish } from './owner-wish';

const THANKS: Readonly<Record<OwnerLinkView['kind'], string>> = {
  agreement: 'Your answers are with the salon.',
  intake: 'The salon reads it before the visit and may ring you.',
  account: '',
  wish: 'The salon confirms it by a message, or rings you.',
};

/** What an owner opens from a link, without a sign-in: the agreement of a visit, the questions before the first one, or how a visit went. */
@Component({
  selector: 'man-owner-link',
  imports: [OwnerAccount, OwnerAgreement, OwnerIntake, OwnerWish],
  template: `<main class="owner">
    @if (view(); as v) {
      <header>
        <p class="salon">{{ v.salonName }}</p>
      </header>
      @if (v.answeredAt) {
        <section class="panel stack" role="status">
          <h1>Thank you</h1>
          <p>{{ thanks[v.kind] }}</p>
          @if (v.kind === 'agreement') {
            <p><a [href]="'/api/o/' + secret() + '/agreement.pdf'" target="_blank" rel="noreferrer">Your copy as a PDF</a></p>
          }
          <p class="quiet small">To change something, ring the salon.</p>
        </section>
      } @else if (v.kind === 'agreement') {
        <man-owner-agreement [secret]="secret()" [view]="v" (answered)="load(secret())" />
      } @else if (v.kind === 'account') {
        <man-owner-account [secret]="secret()" [view]="v" />
      } @else if (v.kind === 'wish') {
        <man-owner-wish [secret]="secret()" [view]="v" (answered)="load(secret())" />
      } @else {
        <man-owner-intake [secret]="secret()" [view]="v" (answered)="load(secret())" />
      }
    } @else if (trouble()) {
      <section class="panel stack" role="alert">
        <h1>This link does not open</h1>
        <p>{{ trouble() }}</p>
      </section>
    } @else {
      <p class="quiet" role="status">One moment …</p>
    }
  </main>`,
  styleUrl: './owner-page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OwnerLinkPage {
  private readonly api = inject(ApiService);
  readonly secret = input.required<string>();
  protected readonly view = signal<OwnerLinkView | undefined>(undefined);
  protected readonly trouble = signal('');
  protected readonly thanks = THANKS;

  constructor() {
    effect(() => void this.load(this.secret()));
  }

  protected async load(secret: string): Promise<void> {
    const answer = await this.api.get(`/o/${encodeURIComponent(secret)}`, OWNER_LINK_VIEW);
    if (answer.ok) {
      this.view.set(answer.value);
      this.trouble.set('');
      return;
    }
    this.view.set(undefined);
    this.trouble.set(
      answer.failure.kind === 'offline'
        ? 'The salon’s server does not answer. Try again in a moment.'
        : (answer.failure.problem.detail ?? answer.failure.problem.title),
    );
  }
}
