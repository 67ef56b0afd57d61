import { DOMParser } from '@xmldom/xmldom';
import { describe, expect, it } from 'vitest';
import { demoRecords } from '../../scripts/demoRecords';
import { judge } from '@/core/judge/judge';
import { VIEWS } from '@/core/stages/clocking/viewpoint';
import { crownFile } from './crownFile';

const demo = (id: string) => {
  const record = demoRecords().find((r) => r.id === id);
  if (!record) throw new Error(id);
  return judge(record);
};

function parsed(text: string | null) {
  const faults: string[] = [];
  const document = new DOMParser({ onError: (level, message) => faults.push(`${level}: ${message}`) }).parseFromString(
    text ?? '',
    'image/svg+xml',
  );
  expect(faults).toEqual([]);
  const root = document.documentElement;
  if (!root) throw new Error('no root');
  return root;
}

describe('crowns as an SVG file', () => {
  it('is well-formed, in millimetres, the bore at its true size, with a crown for every cylinder', () => {
    const corrie = demo('demo-corrie-v10');
    for (const view of VIEWS) {
      const root = parsed(crownFile(corrie, view, null));
      expect([root.tagName, root.namespaceURI]).toEqual(['svg', 'http://www.w3.org/2000/svg']);
      const groups = [...root.getElementsByTagName('g')].filter((g) => g.getAttribute('id')?.startsWith('cylinder-'));
      expect(groups.map((g) => g.getAttribute('id'))).toEqual(corrie.cylinders.map((c) => `cylinder-${c.id}`));
    }
    const one = parsed(crownFile(corrie, 'bench', 'R2'));
    const [, , w = 0] = (one.getAttribute('viewBox') ?? '').split(' ').map(Number);
    const mm = Number.parseFloat(one.getAttribute('width') ?? '');
    const bore = [...one.getElementsByTagName('circle')].find((c) => c.getAttribute('r') === '240');
    expect(bore).toBeDefined();
    expect((480 * mm) / w).toBeCloseTo(
      (corrie.cylinders.find((c) => c.id === 'R2')?.clocking.round.bore ?? 0) / 1e6,
      1,
    );
  });

  it('holds nothing a drawing program would have to fetch, run or look up', () => {
    const text = crownFile(demo('demo-tarn-five'), 'front', null) ?? '';
    expect(text).not.toMatch(/var\(|<script|<style|href|url\(|class=|http(?!:\/\/www\.w3\.org\/2000\/svg)/);
    for (const element of parsed(text).getElementsByTagName('*'))
      for (const attribute of element.attributes)
        expect(attribute.value, attribute.name).not.toMatch(/NaN|undefined|Infinity/);
  });

  it('gives each crown the words of its joints, and nothing of the others when one is asked for', () => {
    const root = parsed(crownFile(demo('demo-corrie-v10'), 'bench', 'R2'));
    const words = [...root.getElementsByTagName('text')].map((t) => t.textContent);
    expect(words).toEqual(
      expect.arrayContaining([
        'Cylinder 4, right bank',
        'top 45°',
        'second 225°',
        'upper 135°',
        'lower 267° !',
        'front 0°',
      ]),
    );
    expect(words.filter((w) => w?.startsWith('Cylinder'))).toHaveLength(1);
  });

  it('writes out what could be taken for a tag', () => {
    const scarp = demo('demo-tarn-five');
    if (!scarp.job) throw new Error('no job');
    const root = parsed(crownFile({ ...scarp, job: { ...scarp.job, name: '<b onload="x">&amp;' } }, 'bench', '1'));
    expect(root.getElementsByTagName('title')[0]?.textContent).toContain('<b onload="x">&amp;');
    expect(root.getElementsByTagName('b')).toHaveLength(0);
  });

  it('gives nothing where no cylinder has a plan', () => {
    expect(crownFile(demo('demo-tarn-five'), 'bench', 'L9')).toBeNull();
  });
});
