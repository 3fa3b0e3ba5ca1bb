import type { Request } from 'express';
import type * as z from 'zod';
import type { Salon, Staff } from '@mansuet/core/contract';
import type { InSalon } from '../database/database.js';
import type { Who } from '../sign-in/sign-in.repository.js';

/** A request that may be answered: who asks for what, in a transaction of their salon. */
export interface Ask<Input> extends Who {
  readonly trx: InSalon;
  readonly staff: Staff;
  readonly salon: Salon;
  /** What was sent, as its schema read it. */
  readonly input: Input;
  readonly now: Date;
  /** The day where the salon is. */
  readonly today: string;
  /** The address that people use, without a slash at its end: links that are made begin with it. */
  readonly publicUrl: string;
  /** An id in the address. @throws ProblemError `bad_id` */
  id(name: string): string;
  /** Done once it is stored; never for what came to nothing. */
  afterCommit(work: () => void | Promise<void>): void;
}

/** For an address that says everything: whatever else was sent is not read. */
export type NoInput = z.ZodType<undefined>;

/** Where a route's input stands: in what was sent, or, where only something is asked for, behind the question mark. */
export const sentIn = (request: Request): unknown => (request.method === 'GET' ? request.query : request.body);
