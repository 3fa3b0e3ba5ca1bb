import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import * as z from 'zod';
import { Words } from '../wording/words.service';
import { ApiService, fieldErrors, sayFailure } from './api.service';

describe('ApiService', () => {
  let api: ApiService;
  let http: HttpTestingController;
  beforeEach(() => {
    TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
    api = TestBed.inject(ApiService);
    http = TestBed.inject(HttpTestingController);
  });
  const schema = z.object({ n: z.number() });

  it('gives a checked answer, and sends the token', async () => {
    api.csrf = 'token';
    const asked = api.get('/x', schema);
    const request = http.expectOne('/api/x');
    expect(request.request.headers.get('x-csrf-token')).toBe('token');
    request.flush({ n: 1 });
    expect(await asked).toEqual({ ok: true, value: { n: 1 } });
  });
  it('tells an answer of another version from a refusal', async () => {
    const asked = api.get('/x', schema);
    http.expectOne('/api/x').flush({ n: 'one' });
    const answer = await asked;
    expect(answer.ok).toBeFalse();
    if (!answer.ok) expect(sayFailure(TestBed.inject(Words), answer.failure)).toContain('another version');
  });
  it('tells a server that is away from one that refuses', async () => {
    const away = api.get('/x', schema);
    http.expectOne('/api/x').error(new ProgressEvent('error'));
    expect(await away).toEqual({ ok: false, failure: { kind: 'offline' } });
    const busy = api.get('/y', schema);
    http.expectOne('/api/y').flush('bad gateway', { status: 502, statusText: 'Bad Gateway' });
    expect(await busy).toEqual({ ok: false, failure: { kind: 'offline' } });
  });
  it('names the fields that were refused', async () => {
    const asked = api.send('POST', '/x', {}, schema);
    http.expectOne('/api/x').flush(
      {
        type: '/problems/bad_input',
        title: 'No.',
        status: 422,
        code: 'bad_input',
        errors: [{ path: 'dog.name', message: 'Give a name.' }],
      },
      { status: 422, statusText: 'x' },
    );
    const answer = await asked;
    if (answer.ok) fail('it was refused');
    else {
      expect(fieldErrors(TestBed.inject(Words), answer.failure).get('dog.name')).toBe('Give a name.');
      expect(sayFailure(TestBed.inject(Words), answer.failure)).toBe('Some values cannot be taken.');
    }
  });
});
