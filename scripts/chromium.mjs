// Which of Debian's Chromiums to use. The one without windows draws the same pages for two thirds of the work, and
// serves the tests; the whole one is what people have, and serves for what is measured and for pictures.
import { existsSync } from 'node:fs';

const WHOLE = '/usr/bin/chromium';
const WINDOWLESS = '/usr/bin/chromium-headless-shell';

const first = (...paths) => process.env.CHROMIUM ?? paths.find((path) => existsSync(path)) ?? null;

/** The browser for tests, or null when there is none. */
export const browserForTests = () => first(WINDOWLESS, WHOLE);

/** Whether the tests have the one that draws for less, or the one that somebody named. */
export const isLean = () => process.env.CHROMIUM !== undefined || existsSync(WINDOWLESS);

/** The browser for measuring and for pictures; what is missing is named where it is started. */
export const browserAsUsed = () => first(WHOLE, WINDOWLESS) ?? WHOLE;
