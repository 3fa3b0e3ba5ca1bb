import type { Response } from 'express';

/** How what a route came to is sent. */
export type Answer<T> = (response: Response, value: T) => void;

/** As JSON; with nothing in it where there is nothing to say. */
export const asJson: Answer<unknown> = (response, value) => {
  if (value === undefined) response.status(204).end();
  else response.json(value);
};

/** Something is there that was not. */
export const asMade: Answer<object> = (response, value) => {
  response.status(201).json(value);
};

/** The id of what is there now. */
export const asMadeId: Answer<string> = (response, id) => {
  response.status(201).json({ id });
};

export const asPdf =
  (filename: string): Answer<Buffer> =>
  (response, pdf) => {
    response.type('application/pdf').set('content-disposition', `inline; filename="${filename}"`).send(pdf);
  };

export const asCalendar =
  (filename: string): Answer<string> =>
  (response, text) => {
    response.type('text/calendar; charset=utf-8').set('content-disposition', `attachment; filename="${filename}"`).send(text);
  };

export const asCsv =
  (filename: string): Answer<string> =>
  (response, text) => {
    response.type('text/csv; charset=utf-8').set('content-disposition', `attachment; filename="${filename}"`).send(text);
  };
