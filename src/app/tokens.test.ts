/** Colours of both themes against what stands behind them, by WCAG 2.2 (published: W3C, contrast ratio, 1.4.3 and 1.4.11). */
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

const css = readFileSync('src/app/globals.css', 'utf8');

function tokensOf(block: RegExp): Map<string, string> {
  const [, body = ''] = block.exec(css) ?? [];
  return new Map(
    [...body.matchAll(/--([a-z]+):\s*(#[0-9a-f]{6})\b(?![0-9a-f])/g)].map(([, name = '', hex = '']) => [name, hex]),
  );
}

/** Relative luminance of an sRGB colour. */
function luminance(hex: string): number {
  const parts = [1, 3, 5].map((at) => Number.parseInt(hex.slice(at, at + 2), 16) / 255);
  const [r = 0, g = 0, b = 0] = parts.map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4));
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

function contrast(one: string, other: string): number {
  const [light = 0, dark = 0] = [luminance(one), luminance(other)].toSorted((a, b) => b - a);
  return (light + 0.05) / (dark + 0.05);
}

const THEMES = {
  light: tokensOf(/:root,?[^{]*\{([^}]*)\}/),
  dim: tokensOf(/\[data-theme='dim'\] \{([^}]*)\}/),
};
const WORDS = ['ink', 'soft', 'blue', 'ok', 'short', 'loose', 'over'];

it('black on white is 21 to 1 (published: W3C)', () => {
  expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 5);
  expect(contrast('#777777', '#ffffff')).toBeCloseTo(4.48, 2);
});

describe.each(Object.entries(THEMES))('the %s theme', (_name, tokens) => {
  const at = (name: string): string => tokens.get(name) ?? '';

  it.each(WORDS)('words in %s can be read on sheet and paper: 4.5 to 1', (name) => {
    for (const ground of ['sheet', 'paper']) expect(contrast(at(name), at(ground)), ground).toBeGreaterThanOrEqual(4.5);
  });

  it('what is drawn can be told from its ground: 3 to 1', () => {
    for (const name of ['edge', 'idle', 'ring'])
      expect(contrast(at(name), at('sheet')), name).toBeGreaterThanOrEqual(3);
  });

  it('sheet on blue, as on Enter, can be read', () => {
    expect(contrast(at('sheet'), at('blue'))).toBeGreaterThanOrEqual(4.5);
  });
});
