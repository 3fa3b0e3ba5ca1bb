import type { DogFile, Letter, Salon, ToldAccount } from '@mansuet/core/contract';
import { day, heading, inFormats } from '@mansuet/core/locales';
import { ENGLISH } from '@mansuet/core/locales/en';
import { ACCOUNT_SECTIONS } from '@mansuet/core/words';
import { Paper } from './paper.js';

const NO_LAW = 'Our words are not law: local law and the vet come first.';

/** What the owner was told, as a page to keep. */
export function accountPdf(told: ToldAccount, { salon, file, on }: { salon: Salon; file: DogFile; on: string }): Promise<Buffer> {
  const when = day(inFormats(ENGLISH, salon.formats), on);
  const paper = new Paper(`${file.dog.name}, ${when}`, salon.name);
  paper.title(`${file.dog.name}: the visit of ${when}`, `${salon.name} · for ${file.owner.name}`);
  for (const section of ACCOUNT_SECTIONS) {
    const lines = told.lines.filter((l) => l.section === section && l.as !== 'left_out');
    if (lines.length === 0) continue;
    paper.heading(heading(ENGLISH, 'accountSection', section));
    for (const l of lines) paper.line(l.text, { strong: l.stands !== null });
    if (section === 'how')
      paper.took(
        told.picture,
        told.minutes,
        'How the visit went, minute by minute: the higher the bar, the harder it was; low and pale is a rest.',
      );
    if (section === 'found' && told.places.length > 0) paper.drawing(file.dog, told.places, altOf(told.places));
  }
  paper.line(`In an emergency: ${salon.vetName} ${salon.vetPhone}. ${NO_LAW}`, { quiet: true });
  return paper.end();
}

/** A letter to a vet, or a report of an incident: in kg and mm wherever the salon is, as vets read them. */
export function letterPdf(letter: Letter, { salon, file }: { salon: Salon; file: DogFile }): Promise<Buffer> {
  const paper = new Paper(letter.title, salon.name);
  const { dog } = letter;
  paper.title(letter.title, [salon.name, day(ENGLISH, letter.madeOn), letter.to && `to ${letter.to}`].filter(Boolean).join(' · '));
  paper.line(
    `${dog.name}, born ${day(ENGLISH, dog.born)}, ${dog.weightKg} kg. Owner: ${dog.owner}, ${dog.phone}. Visit of ${day(ENGLISH, letter.visit.on)}, ${letter.visit.groomer}.`,
  );
  for (const s of letter.sections.filter((x) => x.heading !== '')) {
    paper.heading(s.heading);
    for (const l of s.lines) paper.line(l);
  }
  if (letter.marks.length > 0) {
    paper.heading('Marks, as measured');
    paper.table(
      ['Place', 'Day', 'Length × width', 'Change'],
      letter.marks.flatMap((m) =>
        m.seen.map((s, i) => [
          i === 0 ? m.place : '',
          day(ENGLISH, s.on),
          `${s.lengthMm} × ${s.widthMm} mm`,
          i === m.seen.length - 1 ? m.growth : '',
        ]),
      ),
    );
  }
  if (letter.places.length > 0) {
    paper.heading('Where', paper.roomFor(file.dog, letter.places));
    paper.drawing(file.dog, letter.places, altOf(letter.places));
  }
  for (const s of letter.sections.filter((x) => x.heading === '')) for (const l of s.lines) paper.line(l);
  paper.line(NO_LAW, { quiet: true });
  return paper.end();
}

const altOf = (places: ToldAccount['places']): string =>
  `Drawing of the dog. ${places.map((p) => `${ENGLISH.labels.zone[p.zone]}: ${p.as === 'mat' ? 'mat or tangles' : p.as}`).join('; ')}.`;
