import { Injectable, inject } from '@angular/core';
import {
  BOOK,
  type Book,
  DAY_PLAN_ANSWER,
  type DayPlanForm,
  FEEDS,
  type Feed,
  type KeptDayPlan,
  NEW_FEED,
  NEW_ID,
  NEW_LINK,
  type NewFeed,
  type NewLink,
  type NewWishLink,
  OVERDUE_LIST,
  type OverdueDog,
  type TimeOffered,
  TIMES_OFFERED,
  type TimesAsked,
  WAITING_LIST,
  type WaitingDog,
  type WaitingForm,
  type Wish,
  WISHES,
} from '@mansuet/core/contract';
import * as z from 'zod';
import { type Answer, ApiService, NOTHING } from '../server/api.service';

const onto = <A, B>(answer: Answer<A>, by: (value: A) => B): Answer<B> => (answer.ok ? { ok: true, value: by(answer.value) } : answer);

/** The book of the salon, as the server has it: what is booked, who is overdue, who waits, and the plans of days. */
@Injectable({ providedIn: 'root' })
export class BookService {
  private readonly api = inject(ApiService);

  /** @param from @param to ISO dates, both of them included */
  days(from: string, to: string): Promise<Answer<Book>> {
    return this.api.get(`/book?from=${from}&to=${to}`, BOOK);
  }
  async plan(day: string): Promise<Answer<KeptDayPlan | null>> {
    return onto(await this.api.get(`/day-plan?day=${day}`, DAY_PLAN_ANSWER), (a) => a.kept);
  }
  async keepPlan(form: DayPlanForm): Promise<Answer<KeptDayPlan | null>> {
    return onto(await this.api.send('PUT', '/day-plan', form, DAY_PLAN_ANSWER), (a) => a.kept);
  }
  async overdue(): Promise<Answer<readonly OverdueDog[]>> {
    return onto(await this.api.get('/overdue', OVERDUE_LIST), (a) => a.dogs);
  }
  async waiting(): Promise<Answer<readonly WaitingDog[]>> {
    return onto(await this.api.get('/waiting', WAITING_LIST), (a) => a.waiting);
  }
  addWaiting(form: WaitingForm): Promise<Answer<{ id: string }>> {
    return this.api.send('POST', '/waiting', form, NEW_ID);
  }
  waitsNoMore(wishId: string): Promise<Answer<null | undefined>> {
    return this.api.send('POST', `/waiting/${wishId}/done`, undefined, NOTHING);
  }
  /** A word to the owner of a visit's dog. */
  tellLater(visitId: string, text: string): Promise<Answer<unknown>> {
    return this.api.send('POST', `/visits/${visitId}/told-later`, { text }, z.unknown());
  }
  /** Times between two days that an owner may choose from. */
  async freeTimes({ from, to, minutes, groomerId }: TimesAsked): Promise<Answer<readonly TimeOffered[]>> {
    const rather = groomerId === undefined ? '' : `&groomerId=${groomerId}`;
    return onto(await this.api.get(`/free-times?from=${from}&to=${to}&minutes=${minutes}${rather}`, TIMES_OFFERED), (a) => a.times);
  }
  offerTimes(dogId: string, form: NewWishLink): Promise<Answer<NewLink>> {
    return this.api.send('POST', `/dogs/${dogId}/wishes`, form, NEW_LINK);
  }
  async wishes(): Promise<Answer<readonly Wish[]>> {
    return onto(await this.api.get('/wishes', WISHES), (a) => a.wishes);
  }
  bookWish(linkId: string): Promise<Answer<{ id: string }>> {
    return this.api.send('POST', `/wishes/${linkId}/booked`, undefined, NEW_ID);
  }
  setWishAside(linkId: string): Promise<Answer<null | undefined>> {
    return this.api.send('POST', `/wishes/${linkId}/set-aside`, undefined, NOTHING);
  }
  async feeds(): Promise<Answer<readonly Feed[]>> {
    return onto(await this.api.get('/feeds', FEEDS), (a) => a.feeds);
  }
  makeFeed(staffId: string | null): Promise<Answer<NewFeed>> {
    return this.api.send('POST', '/feeds', { staffId }, NEW_FEED);
  }
  endFeed(feedId: string): Promise<Answer<null | undefined>> {
    return this.api.send('POST', `/feeds/${feedId}/end`, undefined, NOTHING);
  }
}
