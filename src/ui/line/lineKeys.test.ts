import { describe, expect, it } from 'vitest';
import { type LineState, endedFigure, lineCommand } from './lineKeys';

const EMPTY: LineState = { typed: '', isHeld: false, isRead: true, isFiledAsked: false };
const press = (key: string, state: Partial<LineState> = {}, modifiers = {}) =>
  lineCommand(
    { key, altKey: false, ctrlKey: false, metaKey: false, shiftKey: false, ...modifiers },
    { ...EMPTY, ...state },
  );

describe('keys of the reading line', () => {
  it.each([
    ['Enter', { kind: 'enter' }],
    ['Escape', { kind: 'drop' }],
    ['ArrowDown', { kind: 'along', step: 1 }],
    ['ArrowUp', { kind: 'along', step: -1 }],
    ['ArrowRight', { kind: 'beside', step: 1 }],
    ['ArrowLeft', { kind: 'beside', step: -1 }],
    ['z', { kind: 'undo' }],
    ['y', { kind: 'redo' }],
    ['n', { kind: 'skip' }],
    ['m', { kind: 'claim' }],
    ['d', { kind: 'prepare', what: 'deburred' }],
    ['S', { kind: 'prepare', what: 'squared' }],
    ['f', null],
    ['Tab', null],
    ['2', null],
    ['Home', null],
  ])('%s on an empty line: %j', (key, command) => expect(press(key)).toEqual(command));

  it('letters and sideways arrows type and move while something is typed', () => {
    for (const key of ['z', 'n', 'd', 'ArrowLeft', 'ArrowRight']) expect(press(key, { typed: '2' })).toBeNull();
    expect(press('ArrowDown', { typed: '2' })).toEqual({ kind: 'along', step: 1 });
  });

  it('a tab ends a figure, unless it goes back or the figure is asked about', () => {
    expect(press('Tab', { typed: '22' })).toEqual({ kind: 'enter' });
    expect(press('Tab', { typed: '22' }, { shiftKey: true })).toBeNull();
    expect(press('Tab', { typed: '22', isHeld: true })).toBeNull();
  });

  it('with Control or Command only what is taken back, and with Alt nothing', () => {
    expect(press('z', {}, { ctrlKey: true })).toEqual({ kind: 'undo' });
    expect(press('Z', {}, { metaKey: true, shiftKey: true })).toEqual({ kind: 'redo' });
    expect(press('n', {}, { ctrlKey: true })).toBeNull();
    expect(press('z', {}, { altKey: true })).toBeNull();
  });

  it('F answers where it is asked, and a ring that was not read is not prepared', () => {
    expect(press('f', { isFiledAsked: true })).toEqual({ kind: 'notFiled' });
    expect(press('d', { isRead: false })).toBeNull();
  });

  it.each([
    ['4.0652,', '4.0652'],
    ['4,0652;', '4,0652'],
    ['22;', '22'],
    ['22,', null],
    ['22', null],
    [';', null],
  ])('a gauge that ends “%s” gave %s', (text, figure) => expect(endedFigure(text)).toBe(figure));
});
