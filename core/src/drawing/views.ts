import { compileView, type Picture } from './compile.js';
import { flankView } from './flank.js';
import { headView } from './head.js';
import { pawsView } from './paws.js';
import { type Look, USUAL_LOOK } from './shapes.js';
import { undersideView } from './underside.js';

/** Both flanks of a dog of that look. */
export function flankPictures(look: Look = USUAL_LOOK): Picture[] {
  const flank = flankView(look);
  return [compileView('left flank', flank, 'left', false), compileView('right flank', flank, 'right', true)];
}

/** All six pictures: flanks, underside, head, paws. */
export function allPictures(look: Look = USUAL_LOOK): Picture[] {
  return [
    ...flankPictures(look),
    compileView('underside', undersideView(look), 'left', false),
    compileView('head', headView(look), 'left', false),
    compileView('fore paws from below', pawsView('fore'), 'left', false),
    compileView('hind paws from below', pawsView('hind'), 'left', false),
  ];
}
