import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import type { EventDraft } from '@mansuet/core/log';
import type { AccountSection } from '@mansuet/core/words';
import { BodyMap } from '../body-map/body-map';
import { addPaint, paintFound } from '../body-map/zone-paint';
import { OverSlip } from '../controls/over-slip';
import { TextField } from '../controls/text-field';
import { SessionService } from '../server/session.service';
import { VisitStore } from '../visit/visit-store';
import { Words } from '../wording/words.service';
import { HandBackStore } from './hand-back-store';
import { TookPicture } from './took-picture';

interface Edited {
  readonly key: string;
  /** What the log says; empty for a sentence of our own. */
  readonly recorded: string;
  readonly own: boolean;
}

/** What the owner is told, sentence by sentence: each can be said otherwise, left out, or added. What the log knows stays beside it. */
@Component({
  selector: 'man-account-panel',
  imports: [BodyMap, OverSlip, TextField, TookPicture],
  templateUrl: './account-panel.html',
  styleUrl: './account-panel.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AccountPanel {
  private readonly words = inject(Words);
  private readonly session = inject(SessionService);
  protected readonly visit = inject(VisitStore);
  protected readonly store = inject(HandBackStore);
  protected readonly may = computed(() => this.session.may('plan') && !this.store.closed());
  protected readonly edited = signal<Edited | undefined>(undefined);
  protected readonly draft = signal('');
  protected readonly heading = (s: AccountSection): string => this.words.heading('accountSection', s);
  protected readonly paint = computed(() => {
    const map = paintFound(this.visit.found());
    for (const p of this.store.told()?.places ?? []) addPaint(map, p.zone, { lit: true, ...(p.as === 'hurt' ? { changed: true } : {}) });
    return map;
  });

  protected change(line: { key: string; text: string; recorded: string; as: string }): void {
    this.edited.set({ key: line.key, recorded: line.recorded, own: line.as === 'own' });
    this.draft.set(line.text);
  }
  protected add(section: AccountSection): void {
    this.edited.set({ key: `own.${section}.${crypto.randomUUID()}`, recorded: '', own: true });
    this.draft.set('');
  }
  protected async keep(): Promise<void> {
    const edited = this.edited();
    if (!edited) return;
    const text = this.draft().trim();
    // Nothing written, or what the log says: the change is taken back.
    if (await this.say(edited.key, text === edited.recorded ? '' : text)) this.edited.set(undefined);
  }
  protected leaveOut(key: string, out: boolean): Promise<boolean> {
    return this.say(key, out ? null : '');
  }
  private say(line: string, text: string | null): Promise<boolean> {
    const draft: EventDraft = { type: 'account_line', body: { line, text } };
    return this.visit.record(draft);
  }
}
