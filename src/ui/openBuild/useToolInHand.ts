'use client';

/** What is in hand at this bench: tools, how warm parts and tools are, and how rings are squared. Kept in this browser. */
import { useMemo } from 'react';
import { type Depth, DEPTHS } from '@/core/foundation/parts/spots';
import type { Units } from '@/core/foundation/quantity/length';
import { type Squaring, SQUARINGS } from '@/core/foundation/parts/rings';
import type { Subject } from '@/core/judge/registry';
import { SUBJECTS } from '@/core/judge/stageTables';
import { instrumentKey } from '@/core/foundation/uncertainty/instrument';
import { usePersisted } from '../shared/persisted';
import type { Hands } from './contexts';
import type { Tools } from './useTools';

const depthFrom = (text: string): Depth | null => DEPTHS.find((d) => d === text) ?? null;
const squaringFrom = (text: string): Squaring | null => SQUARINGS.find((s) => s === text) ?? null;
const number = (text: string): number | null => (text === '' || Number.isNaN(Number(text)) ? null : Number(text));
const asText = (value: number | null): string => (value === null ? '' : String(value));

export function useToolInHandState(buildId: string, { tools, inHand, takeTool }: Tools): Hands {
  const [part, setPart] = usePersisted(`spatium-part:${buildId}`, '');
  const [tool, setTool] = usePersisted(`spatium-tool:${buildId}`, '');
  const [depth, setDepth] = usePersisted(`spatium-squared-at:${buildId}`, '');
  const [squaring, setSquaring] = usePersisted('spatium-squared-with', '');
  return useMemo<Hands>(
    () => ({
      tools,
      toolFor: (subject: Subject) => inHand(SUBJECTS[subject].tool),
      takeTool,
      handFor: (subject: Subject) => {
        const held = inHand(SUBJECTS[subject].tool);
        const { warm, fitted } = SUBJECTS[subject];
        const ring = { depth: depthFrom(depth), squaring: squaringFrom(squaring), deburred: false, squared: false };
        return {
          ...(fitted ? { ring } : {}),
          instrument: held && instrumentKey(held),
          temperature: warm ? number(part) : null,
          gaugeTemperature: warm ? number(tool) : null,
        };
      },
      filer: inHand('filing'),
      squaring: { depth, tool: squaring },
      setSquaring: (change) => {
        if (change.depth !== undefined) setDepth(change.depth);
        if (change.tool !== undefined) setSquaring(change.tool);
      },
      warmth: { part: number(part), tool: number(tool) },
      setWarmth: (warmth) => {
        setPart(asText(warmth.part));
        setTool(asText(warmth.tool));
      },
    }),
    [tools, inHand, takeTool, part, setPart, tool, setTool, depth, setDepth, squaring, setSquaring],
  );
}

/** The system bare numbers are spoken in on this build: as kept here, else as its job card says. */
export function useUnits(buildId: string, ofJob: Units): [Units, (units: Units) => void] {
  const [kept, keep] = usePersisted(`spatium-units:${buildId}`, ofJob);
  return [kept === 'imperial' ? 'imperial' : 'metric', keep];
}
