import angular from 'angular-eslint';
import tseslint from 'typescript-eslint';

/** How a text of a screen is marked: `i18n="@@screen.what"`, attributes too; what is no text is left alone. */
export const MARKED = {
  checkId: true,
  checkText: true,
  checkAttributes: true,
  checkDuplicateId: true,
  ignoreAttributes: [
    'd',
    'patternUnits',
    'patternTransform',
    'text-anchor',
    'pointer-events',
    'rel',
    'inputmode',
    'nzId',
    'nzSize',
    'nzColor',
    'scope',
    'aria-describedby',
    'aria-live',
    'cdkDragLockAxis',
    'autocapitalize',
    'content',
    // Inputs of controls that are ids, not words.
    'aria-labelledby',
    'complete',
    'kind',
    'layout',
    'live',
    'manCell',
    'manTab',
    'of',
    'path',
    'size',
  ],
};

/** Screens from before texts were marked. The list only shrinks: a new screen is marked, one that was marked is taken off (a spec looks). */
export const SCREENS_NOT_YET_MARKED = [
  'web/src/app/agreement/agreement.page.html',
  'web/src/app/agreement/alternatives-panel.ts',
  'web/src/app/agreement/phone-link.ts',
  'web/src/app/agreement/signature-field.ts',
  'web/src/app/body-map/body-map.html',
  'web/src/app/dog-file/dog-file-view.html',
  'web/src/app/dog-file/dog-file.page.html',
  'web/src/app/dog-file/facts-panel.ts',
  'web/src/app/dog-file/know.page.ts',
  'web/src/app/dog-file/learned-panel.ts',
  'web/src/app/dog-file/marks-panel.ts',
  'web/src/app/dog-file/photos-panel.ts',
  'web/src/app/dog-file/visits-panel.html',
  'web/src/app/dogs/book-visit.page.html',
  'web/src/app/dogs/dog-fields.html',
  'web/src/app/dogs/dog-form.page.html',
  'web/src/app/dogs/dogs.page.ts',
  'web/src/app/dogs/owner-fields.ts',
  'web/src/app/feel-over/feel-over.page.html',
  'web/src/app/feel-over/growing.html',
  'web/src/app/feel-over/hands-guide.html',
  'web/src/app/feel-over/joints-panel.html',
  'web/src/app/feel-over/today-panel.html',
  'web/src/app/feel-over/zone-panel.html',
  'web/src/app/handling-plan/break-line.ts',
  'web/src/app/handling-plan/handling-plan.page.html',
  'web/src/app/handling-plan/hazard-grid.html',
  'web/src/app/handling-plan/helper-time.ts',
  'web/src/app/handling-plan/odds-panel.html',
  'web/src/app/handling-plan/step-detail.html',
  'web/src/app/handling-plan/step-list.html',
  'web/src/app/handling-plan/wish-strip.ts',
  'web/src/app/house-rules/house-rules.page.html',
  'web/src/app/intake/intakes.page.html',
  'web/src/app/lead-wall/frame.html',
  'web/src/app/messages/messages.page.ts',
  'web/src/app/owner-page/owner-agreement.ts',
  'web/src/app/owner-page/owner-intake.ts',
  'web/src/app/owner-page/owner-link.page.ts',
  'web/src/app/sign-in/first-run.page.ts',
  'web/src/app/table/blade-picker.ts',
  'web/src/app/table/hold-picker.ts',
  'web/src/app/today/today.page.html',
];

/** As the linter names them: a template within a component is a file below it. The page round the application has no words but its name. */
export const NOT_YET_MARKED = [
  'web/src/index.html',
  // For whoever builds screens, in the language that they build in.
  'web/src/app/controls-page/**',
  'web/src/**/*.spec.ts/**',
  ...SCREENS_NOT_YET_MARKED.map((file) => (file.endsWith('.ts') ? `${file}/**` : file)),
];

/** The rule alone, on every screen: for the spec that looks after the list. */
export const MARKS_ONLY = [
  { files: ['**/*.ts'], languageOptions: { parser: tseslint.parser }, processor: angular.processInlineTemplates },
  ...angular.configs.templateRecommended.map((config) => ({ ...config, files: ['**/*.html'] })),
  { files: ['**/*.html'], rules: { '@angular-eslint/template/i18n': ['error', MARKED] } },
];
