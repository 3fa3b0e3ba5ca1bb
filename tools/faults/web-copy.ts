import { createHash } from 'node:crypto';
import { cpSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import * as z from 'zod';
import { RUN, WEB_DIST } from '../place.js';

const MANIFEST = z.looseObject({ hashTable: z.record(z.string(), z.string()), timestamp: z.number() });

/** The built page in a folder of its own, of which newer versions can be put out while it is served. */
export class WebCopy {
  readonly directory = join(RUN, 'faults-web');
  private version = 0;

  constructor() {
    rmSync(this.directory, { recursive: true, force: true });
    cpSync(WEB_DIST, this.directory, { recursive: true });
  }

  /** Puts a newer version out, as an update of the salon's machine does. @returns what only its page has in it */
  deploy(): string {
    this.version++;
    const mark = `version ${this.version} of the fault suite`;
    const page = join(this.directory, 'index.html');
    const html = readFileSync(page, 'utf8').replace(/<!--version .*?-->|(?=<\/body>)/, `<!--${mark}-->`);
    writeFileSync(page, html);
    const file = join(this.directory, 'ngsw.json');
    const manifest = MANIFEST.parse(JSON.parse(readFileSync(file, 'utf8')));
    manifest.hashTable['/index.html'] = createHash('sha1').update(html).digest('hex');
    manifest.timestamp = Date.now();
    writeFileSync(file, JSON.stringify(manifest));
    return mark;
  }

  remove(): void {
    rmSync(this.directory, { recursive: true, force: true });
  }
}
