import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';
import { allPictures, type DrawnZone, type Look, type Picture } from '@mansuet/core/drawing';
import type { ToldAccount } from '@mansuet/core/contract';
import type { ZoneId } from '@mansuet/core/words';

const require = createRequire(import.meta.url);
const FONTS = '@expo-google-fonts/atkinson-hyperlegible-next';
export const INK = '#1C2A31';
export const QUIET = '#51626A';
export const SLATE = '#23424E';
const LINE = '#CBD5D2';
const PAPER = '#FBFDFB';
/** Room for a row of pictures, points. */
const ROW = 158;
const MARGIN = 56;
const WIDTH = 483;
const BOTTOM = 842 - MARGIN;

type As = ToldAccount['places'][number]['as'];
/** Colour and a letter of its own for each look: never colour alone. */
const LIT: Readonly<Record<As, { readonly fill: string; readonly letter: string; readonly says: string }>> = {
  hurt: { fill: '#BF5B35', letter: 'H', says: 'H hurt' },
  found: { fill: '#C9982F', letter: 'F', says: 'F found' },
  mat: { fill: '#9DB3BC', letter: 'M', says: 'M mat or tangles' },
};

/** A page in the making: tagged, with bookmarks, its fonts embedded and its text selectable. */
export class Paper {
  private readonly doc: PDFKit.PDFDocument;
  private readonly root: PDFKit.PDFStructureElement;
  private readonly whole: Promise<Buffer>;

  constructor(title: string, author: string) {
    this.doc = new PDFDocument({
      size: 'A4',
      margin: MARGIN,
      pdfVersion: '1.7',
      tagged: true,
      displayTitle: true,
      lang: 'en-GB',
      info: { Title: title, Author: author },
    });
    this.doc.registerFont('text', require.resolve(`${FONTS}/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf`));
    this.doc.registerFont('bold', require.resolve(`${FONTS}/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf`));
    this.root = this.doc.struct('Document');
    this.doc.addStructure(this.root);
    const chunks: Buffer[] = [];
    this.whole = new Promise((done, fail) => {
      this.doc.on('data', (chunk: Buffer) => chunks.push(chunk));
      this.doc.on('end', () => done(Buffer.concat(chunks)));
      this.doc.on('error', fail);
    });
  }

  title(text: string, below: string): void {
    this.put('H1', () => this.doc.font('bold').fontSize(18).fillColor(SLATE).text(text));
    this.put('P', () => this.doc.font('text').fontSize(10.5).fillColor(QUIET).text(below));
    this.doc.outline.addItem(text);
  }

  /** @param needs what stands below it on the same page, points */
  heading(text: string, needs = 60): void {
    this.room(needs);
    this.doc.moveDown(0.8);
    this.put('H2', () => this.doc.font('bold').fontSize(12).fillColor(SLATE).text(text));
    this.doc.moveDown(0.2);
    this.doc.outline.addItem(text);
  }

  /** @param strong stands out by its weight, and by a word before it where there is one */
  line(text: string, { strong = false, quiet = false } = {}): void {
    this.room(30);
    this.put('P', () =>
      this.doc
        .font(strong ? 'bold' : 'text')
        .fontSize(10.5)
        .fillColor(quiet ? QUIET : INK)
        .text(text, { width: WIDTH }),
    );
    this.doc.moveDown(0.25);
  }

  /** Rows with a heading each; numbers of the first row are its columns. */
  table(columns: readonly string[], rows: readonly (readonly string[])[]): void {
    const width = WIDTH / columns.length;
    const table = this.doc.struct('Table');
    this.root.add(table);
    for (const [at, row] of [columns, ...rows].entries()) {
      this.room(24);
      const top = this.doc.y;
      const tr = this.doc.struct('TR');
      table.add(tr);
      let lowest = top;
      for (const [i, cell] of row.entries()) {
        const put = (): void => {
          this.doc
            .font(at === 0 ? 'bold' : 'text')
            .fontSize(10)
            .fillColor(INK)
            .text(cell, MARGIN + i * width, top, { width: width - 8 });
          lowest = Math.max(lowest, this.doc.y);
        };
        tr.add(this.doc.struct(at === 0 ? 'TH' : 'TD', {}, put));
      }
      tr.end();
      this.doc.x = MARGIN;
      this.doc.y = lowest + 4;
    }
    table.end();
  }

  /** Room that the drawing of these places needs, with its heading. */
  roomFor(look: Look, places: ToldAccount['places']): number {
    return Math.ceil(shownIn(look, places).length / 2) * ROW + 70;
  }

  /** The dog from both sides, and whichever pictures show what is lit; from the same paths as the screen. */
  drawing(look: Look, places: ToldAccount['places'], alt: string): void {
    const lit = new Map<ZoneId, As>(places.map((p) => [p.zone, p.as]));
    const pictures = shownIn(look, places);
    const across = WIDTH / 2 - 8;
    const rows = Math.ceil(pictures.length / 2);
    // A figure stands on one page: what it needs is there before it is begun.
    this.room(rows * ROW + 20);
    const top = this.doc.y;
    this.root.add(
      this.doc.struct('Figure', { alt }, () => {
        for (const [i, picture] of pictures.entries()) {
          const scale = Math.min(across / picture.width, (ROW - 12) / picture.height);
          this.picture(picture, lit, MARGIN + (i % 2) * (across + 16), top + Math.floor(i / 2) * ROW, scale);
        }
      }),
    );
    this.doc.x = MARGIN;
    this.doc.y = top + rows * ROW;
    const used = [...new Set(lit.values())].map((as) => LIT[as].says);
    if (used.length > 0) this.line(used.join(' · '), { quiet: true });
  }

  /** One picture, as the screen lays it: what is behind the body, the body that cuts its places, what stands in front. */
  private picture(picture: Picture, lit: ReadonlyMap<ZoneId, As>, x: number, y: number, scale: number): void {
    const { doc } = this;
    const paint = (zone: DrawnZone): void => {
      const as = lit.get(zone.zone);
      doc
        .path(zone.d)
        .lineWidth(0.8)
        .fillAndStroke(as ? LIT[as].fill : PAPER, LINE);
    };
    const layer = (name: DrawnZone['layer']): void => picture.zones.filter((z) => z.layer === name).forEach(paint);
    doc.save().translate(x, y).scale(scale);
    for (const d of picture.far) doc.path(d).fillColor('#E6EBE9').fill();
    layer('behind');
    for (const d of picture.body) doc.path(d).fillColor(PAPER).fill();
    doc.save();
    doc.path(picture.body.join(' ')).clip();
    layer('cut');
    doc.restore();
    for (const d of picture.body) doc.path(d).lineWidth(1.2).strokeColor(QUIET).stroke();
    layer('front');
    for (const { d, kind } of picture.details) {
      if (kind === 'line') doc.path(d).lineWidth(0.8).strokeColor(QUIET).stroke();
      else
        doc
          .path(d)
          .fillColor(kind === 'pad' ? LINE : QUIET)
          .fill();
    }
    doc.restore();
    for (const zone of picture.zones) {
      const as = lit.get(zone.zone);
      if (as)
        doc
          .font('bold')
          .fontSize(8)
          .fillColor(INK)
          .text(LIT[as].letter, x + zone.at[0] * scale - 3, y + zone.at[1] * scale - 4, { lineBreak: false });
    }
  }

  /** A bar of the visit, minute by minute: how it was, and rests. */
  took(picture: ToldAccount['picture'], minutes: number, alt: string): void {
    if (minutes <= 0) return;
    this.room(46);
    const [x, y] = [MARGIN, this.doc.y + 4];
    this.root.add(
      this.doc.struct('Figure', { alt }, () => {
        for (const s of picture) {
          const height = s.rest ? 5 : HEIGHT[s.band];
          this.doc
            .rect(x + (s.from / minutes) * WIDTH, y + 24 - height, ((s.to - s.from) / minutes) * WIDTH, height)
            .fillColor(s.rest ? LINE : BAND[s.band])
            .fill();
        }
        this.doc
          .font('text')
          .fontSize(9)
          .fillColor(QUIET)
          .text(`0 min`, x, y + 28, { lineBreak: false });
        this.doc.text(`${Math.round(minutes)} min`, x + WIDTH - 40, y + 28, { width: 40, align: 'right', lineBreak: false });
      }),
    );
    this.doc.x = MARGIN;
    this.doc.y = y + 44;
  }

  end(): Promise<Buffer> {
    this.root.end();
    this.doc.end();
    return this.whole;
  }

  private put(kind: 'H1' | 'H2' | 'P', draw: () => void): void {
    this.root.add(this.doc.struct(kind, {}, draw));
  }

  private room(needed: number): void {
    if (this.doc.y + needed > BOTTOM) this.doc.addPage();
  }
}

/** The higher, the harder: height beside colour. */
const HEIGHT = { settled: 8, watch: 13, pause: 18, stop: 24 } as const;
const BAND = { settled: '#5E8F76', watch: '#C9982F', pause: '#BF5B35', stop: '#7B2440' } as const;

/** Both flanks, and the pictures that show what those do not. */
function shownIn(look: Look, places: ToldAccount['places']): Picture[] {
  const lit = new Set(places.map((p) => p.zone));
  const all = allPictures(look);
  const onFlanks = new Set(all.slice(0, 2).flatMap((p) => p.zones.map((z) => z.zone)));
  return all.filter((p, i) => i < 2 || p.zones.some((z) => lit.has(z.zone) && (!onFlanks.has(z.zone) || p.name === 'underside')));
}
