process.env.CHROME_BIN ??= '/usr/bin/chromium';
const FLAGS = [
  '--headless',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** Prints the closing line that the test command adds up; a run that broke before a spec counts as one failure. */
function ClosingLine() {
  this.onRunComplete = (_browsers, results) => {
    const broken = results.error || results.disconnected || (results.success === 0 && results.failed === 0);
    process.stdout.write(`\n${results.success} passed, ${results.failed + (broken && results.failed === 0 ? 1 : 0)} failed\n`);
  };
}

module.exports = (config) => {
  config.set({
    hostname: '127.0.0.1',
    listenAddress: '127.0.0.1',
    frameworks: ['jasmine'],
    plugins: [require('karma-jasmine'), require('karma-chrome-launcher'), { 'reporter:closing-line': ['type', ClosingLine] }],
    reporters: ['dots', 'closing-line'],
    colors: false,
    browsers: ['Headless'],
    customLaunchers: { Headless: { base: 'ChromiumHeadless', flags: FLAGS } },
    browserNoActivityTimeout: 300000,
    // A limit, not a wait: longer than `until` looks, so that a spec fails with what it waited for.
    client: { jasmine: { timeoutInterval: 90000 } },
    singleRun: true,
  });
};
