import { Injectable, computed, inject, signal } from '@angular/core';
import { may } from '@mansuet/core/access';
import {
  type FirstRunForm,
  BLADES_OWNED,
  type BladesOwned,
  HOUSE_RULES,
  type HouseRuleChange,
  type Salon,
  type Session,
  SESSION,
} from '@mansuet/core/contract';
import type { Action, HouseRules } from '@mansuet/core/words';
import { ApiService, NOTHING, type Answer } from './api.service';
import { ClockService } from './clock.service';
import { FORMATS } from '../wording/formats';

const KEPT = 'mansuet.session';

/** Who is signed in. With the network off the last known session goes on, so that a reload at the table does not lock anyone out. */
@Injectable({ providedIn: 'root' })
export class SessionService {
  private readonly api = inject(ApiService);
  private readonly clock = inject(ClockService);
  private readonly session = signal<Session | undefined>(undefined);
  private asking: Promise<Session> | undefined;

  readonly signedIn = computed(() => this.session()?.signedIn ?? undefined);
  readonly demoLogins = computed(() => this.session()?.demoLogins ?? []);

  /** The session, asked for once. */
  ready(): Promise<Session> {
    const known = this.session();
    if (known) return Promise.resolve(known);
    return (this.asking ??= this.ask());
  }

  may(action: Action): boolean {
    const now = this.signedIn();
    return now !== undefined && may(now.staff.role, action);
  }

  signIn(login: string, password: string): Promise<Answer<Session>> {
    return this.take(this.api.send('POST', '/session', { login, password }, SESSION));
  }

  foundSalon(form: FirstRunForm): Promise<Answer<Session>> {
    return this.take(this.api.send('POST', '/first-run', form, SESSION));
  }

  async signOut(): Promise<void> {
    await this.api.send('DELETE', '/session', undefined, NOTHING);
    localStorage.removeItem(KEPT);
    this.session.set(undefined);
    this.asking = undefined;
  }

  /** Asks the server anew who is signed in. @returns whether somebody is; what is recorded meanwhile keeps its name */
  async renew(): Promise<boolean> {
    const answer = await this.api.get('/session', SESSION);
    if (!answer.ok || !answer.value.signedIn) return false;
    this.keep(answer.value);
    return true;
  }

  /** Answers one question on which groomers disagree; the new rules count at once, on this device and in every new answer of the server. */
  async answerHouseRule(change: HouseRuleChange): Promise<Answer<HouseRules>> {
    const answer = await this.api.send('PUT', '/house-rules', change, HOUSE_RULES);
    const now = this.session();
    if (answer.ok && now?.signedIn) this.takeSalon({ ...now.signedIn.salon, house: answer.value });
    return answer;
  }

  /** The salon as it is now, told by an answer of the server. */
  takeSalon(salon: Salon): void {
    const now = this.session();
    if (now?.signedIn) this.keep({ ...now, signedIn: { ...now.signedIn, salon } });
  }

  /** Says which blades lie in the drawer; plans made from then on take no other. */
  async ownBlades(blades: BladesOwned): Promise<Answer<BladesOwned>> {
    const answer = await this.api.send('PUT', '/house-rules/blades', { blades }, BLADES_OWNED);
    const now = this.session();
    if (answer.ok && now?.signedIn) this.takeSalon({ ...now.signedIn.salon, bladesOwned: answer.value });
    return answer;
  }

  private async ask(): Promise<Session> {
    const answer = await this.take(this.api.get('/session', SESSION));
    if (answer.ok) return answer.value;
    this.asking = undefined;
    const kept = SESSION.safeParse(readKept());
    if (answer.failure.kind === 'offline' && kept.success) {
      this.keep(kept.data);
      return kept.data;
    }
    return { signedIn: null, firstRun: false, demoLogins: [] };
  }

  private async take(asked: Promise<Answer<Session>>): Promise<Answer<Session>> {
    const answer = await asked;
    if (answer.ok) this.keep(answer.value);
    return answer;
  }

  private keep(session: Session): void {
    this.api.csrf = session.signedIn?.csrf ?? '';
    if (session.signedIn) {
      this.clock.zone.set(session.signedIn.salon.timeZone);
      FORMATS.set(session.signedIn.salon.formats);
    }
    this.session.set(session);
    if (session.signedIn) localStorage.setItem(KEPT, JSON.stringify(session));
  }
}

function readKept(): unknown {
  try {
    return JSON.parse(localStorage.getItem(KEPT) ?? 'null');
  } catch {
    return null;
  }
}
