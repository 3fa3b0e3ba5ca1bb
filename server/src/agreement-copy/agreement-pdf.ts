import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';
import { signaturePath } from '@mansuet/core/agreement';
import type { DogFile, Salon } from '@mansuet/core/contract';
import { clockOf, dayOf } from '@mansuet/core/days';
import { consentText, inBoth } from '@mansuet/core/locales';
import { ENGLISH } from '@mansuet/core/locales/en';
import type { VisitState } from '@mansuet/core/visit';
import { CONSENT_IDS } from '@mansuet/core/words';

const require = createRequire(import.meta.url);
const FONTS = '@expo-google-fonts/atkinson-hyperlegible-next';
const INK = '#1C2A31';
const QUIET = '#51626A';
const SLATE = '#23424E';
const PAGE = { margin: 56, width: 483 };

export interface AgreementCopy {
  readonly salon: Salon;
  readonly file: DogFile;
  readonly state: VisitState;
}

/** The copy of an agreement as a PDF: what was agreed and what was refused, in the words that were shown, with the signature. */
export function agreementPdf({ salon, file, state }: AgreementCopy): Promise<Buffer> {
  const doc = new PDFDocument({
    size: 'A4',
    margin: PAGE.margin,
    info: { Title: `Agreement for ${file.dog.name}`, Author: salon.name },
    lang: 'en',
  });
  doc.registerFont('text', require.resolve(`${FONTS}/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf`));
  doc.registerFont('bold', require.resolve(`${FONTS}/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf`));
  const chunks: Buffer[] = [];
  const whole = new Promise<Buffer>((done, fail) => {
    doc.on('data', (chunk: Buffer) => chunks.push(chunk));
    doc.on('end', () => done(Buffer.concat(chunks)));
    doc.on('error', fail);
  });
  const money = (minor: number): string => new Intl.NumberFormat('en', { style: 'currency', currency: salon.currency }).format(minor / 100);
  const moment = (ms: number): string => `${dayOf(ms, salon.timeZone)} ${clockOf(ms, salon.timeZone)}`;
  const heading = (text: string): void => {
    doc.moveDown(0.8).font('bold').fontSize(12).fillColor(SLATE).text(text).moveDown(0.2).font('text').fontSize(10.5).fillColor(INK);
  };
  doc.font('bold').fontSize(18).fillColor(SLATE).text(`Agreement for ${file.dog.name}`);
  doc
    .font('text')
    .fontSize(10.5)
    .fillColor(QUIET)
    .text(`${salon.name} · visit of ${state.day ?? ''} · owner ${file.owner.name}`);
  heading('Asked for');
  doc.text(
    `${state.asked.items.map((i) => ENGLISH.labels.service[i]).join(', ') || 'nothing in particular'}; body coat ${inBoth(ENGLISH, state.asked.wantedMm)} where a comb passes.`,
  );
  heading('Answers');
  for (const id of CONSENT_IDS) {
    const answer = state.consents.get(id);
    if (!answer) continue;
    doc
      .font('bold')
      .fillColor(INK)
      .text(`${answer.agreed ? 'Agreed' : 'Refused'}: ${ENGLISH.labels.consent[id]}`);
    doc.font('text').text(consentText(ENGLISH, id, answer.textVersion) ?? 'The words of this version are no longer kept here.');
    if (answer.limitMinor !== undefined) doc.text(`Up to ${money(answer.limitMinor)} before the salon rings first.`);
    doc
      .fillColor(QUIET)
      .text(`${answer.name}, ${moment(answer.atMs)}, text ${answer.textVersion}`)
      .moveDown(0.5);
  }
  const agreed = state.agreed;
  heading('Extra time for matting');
  doc.text(
    agreed && agreed.extraMinutes > 0
      ? `About ${agreed.extraMinutes} min, an estimate: ${money(agreed.extraPriceMinor)}.`
      : 'None: no more than a regular visit.',
  );
  heading('Signed');
  if (agreed) {
    doc.text(`${agreed.name}, ${moment(agreed.atMs)}, ${agreed.via === 'link' ? 'on the owner’s phone' : 'at the salon'}`);
    if (agreed.signature) {
      const scale = Math.min(220 / agreed.signature.width, 90 / agreed.signature.height);
      if (doc.y > 680) doc.addPage();
      const [x, y] = [doc.x, doc.y + 6];
      doc.save().translate(x, y).scale(scale).path(signaturePath(agreed.signature)).lineWidth(2.4).strokeColor(INK).stroke().restore();
      doc.y = y + agreed.signature.height * scale + 8;
    }
  } else doc.text('Not closed: something that is needed was not agreed to.');
  doc.moveDown(1).fontSize(9).fillColor(QUIET);
  doc.text(`In an emergency: ${salon.vetName} ${salon.vetPhone}. Our words are not law: local law and the vet come first.`, {
    width: PAGE.width,
  });
  doc.end();
  return whole;
}
