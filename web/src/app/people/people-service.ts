import { Injectable, inject } from '@angular/core';
import {
  type InvitationForm,
  JOIN_LINK,
  type JoinLink,
  type OwnHandsForm,
  type OpenSession,
  type PasswordChange,
  PEOPLE,
  type Person,
  type PersonForm,
  SESSIONS,
} from '@mansuet/core/contract';
import { ApiService, type Answer, NOTHING } from '../server/api.service';

/** The people of the salon, as the server has them. */
@Injectable({ providedIn: 'root' })
export class PeopleService {
  private readonly api = inject(ApiService);

  async all(): Promise<Answer<readonly Person[]>> {
    const answer = await this.api.get('/people', PEOPLE);
    return answer.ok ? { ok: true, value: answer.value.people } : answer;
  }
  async me(): Promise<Answer<Person | undefined>> {
    const answer = await this.api.get('/me', PEOPLE);
    return answer.ok ? { ok: true, value: answer.value.people[0] } : answer;
  }
  invite(form: InvitationForm): Promise<Answer<JoinLink>> {
    return this.api.send('POST', '/people', form, JOIN_LINK);
  }
  change(staffId: string, form: PersonForm): Promise<Answer<null | undefined>> {
    return this.api.send('PUT', `/people/${staffId}`, form, NOTHING);
  }
  leave(staffId: string): Promise<Answer<null | undefined>> {
    return this.api.send('POST', `/people/${staffId}/leave`, undefined, NOTHING);
  }
  comeBack(staffId: string): Promise<Answer<null | undefined>> {
    return this.api.send('POST', `/people/${staffId}/come-back`, undefined, NOTHING);
  }
  passwordLink(staffId: string): Promise<Answer<JoinLink>> {
    return this.api.send('POST', `/people/${staffId}/password-link`, undefined, JOIN_LINK);
  }
  sayOwnHands(form: OwnHandsForm): Promise<Answer<null | undefined>> {
    return this.api.send('PUT', '/me/hands', form, NOTHING);
  }
  changePassword(form: PasswordChange): Promise<Answer<null | undefined>> {
    return this.api.send('PUT', '/me/password', form, NOTHING);
  }
  async sessions(staffId?: string): Promise<Answer<readonly OpenSession[]>> {
    const answer = await this.api.get(staffId === undefined ? '/sessions' : `/people/${staffId}/sessions`, SESSIONS);
    return answer.ok ? { ok: true, value: answer.value.sessions } : answer;
  }
  endSession(key: string, staffId?: string): Promise<Answer<null | undefined>> {
    return this.api.send('POST', '/sessions/end', { key, ...(staffId === undefined ? {} : { staffId }) }, NOTHING);
  }
}
