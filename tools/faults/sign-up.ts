import { NEW_ID, SESSION } from '../../core/src/contract/index.js';
import { EMPTY_DOG } from '../../core/src/knowledge/dogs/index.js';
import { Plain } from '../place.js';
import type { Person } from './tablet.js';

const PASSWORD = 'ten letters and more';

/** Founds the first salon of a server, through its own door: a lead, a bather and a dog. */
export async function signUp(url: string): Promise<{ lead: Person; bather: Person; dogId: string }> {
  const form = { salonName: 'Faults', name: 'Lead', login: 'lead', password: PASSWORD, vetName: '', vetPhone: '' };
  const lead = await signIn(url, '/api/first-run', form);
  const person = { name: 'Bather', login: 'bather', password: PASSWORD, role: 'bather', trained: false };
  await post(url, '/api/staff', person, lead);
  return { lead, bather: await signIn(url, '/api/session', { login: 'bather', password: PASSWORD }), dogId: await aDog(url, lead) };
}

export async function signIn(url: string, path: string, form: unknown): Promise<Person> {
  const answer = await post(url, path, form);
  const { signedIn } = SESSION.parse(await answer.json());
  if (!signedIn) throw new Plain('Nobody is signed in.');
  const cookie = answer.headers.getSetCookie()[0]?.split(';')[0] ?? '';
  return { cookie, csrf: signedIn.csrf, staffId: signedIn.staff.staffId };
}

/** @returns its id */
export async function aDog(url: string, who: Person): Promise<string> {
  const dog = {
    dog: { ...EMPTY_DOG, name: 'Fault', born: '2021-06-01', weightKg: 18 },
    owner: { name: 'O', phone: '', email: '', contacts: [] },
  };
  return NEW_ID.parse(await (await post(url, '/api/dogs', dog, who)).json()).id;
}

async function post(url: string, path: string, body: unknown, who?: Person): Promise<Response> {
  const answer = await fetch(url + path, {
    method: 'POST',
    headers: { 'content-type': 'application/json', cookie: who?.cookie ?? '', 'x-csrf-token': who?.csrf ?? '' },
    body: JSON.stringify(body),
  });
  if (!answer.ok) throw new Plain(`${path} answered ${answer.status}: ${(await answer.text()).slice(0, 300)}`);
  return answer;
}
