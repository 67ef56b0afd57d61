'use client';

import { Opener } from '../shared/Opener';
import { onDemand } from '../shared/onDemand';
import type { Paper } from '@/core/models/targets/givenFigure';
import type { PaperFormProps } from './PaperForm';

const load = () => import('./PaperForm').then((m) => m.PaperForm);
const PaperForm = onDemand(load);

const PAPER_WORDS: Record<Paper, string> = {
  sheet: 'packed sheet',
  manual: 'service manual',
  own: 'own figure',
};

/** Opens the form for what one paper says of a figure. */
export function PaperButton(props: Omit<PaperFormProps, 'button' | 'paperWords' | 'onClose'>) {
  const words = PAPER_WORDS[props.paper];
  const trigger = (
    <>
      {props.given ? 'Change' : 'Enter'} <span className="sr-only">{words}</span>
    </>
  );
  return (
    <Opener load={load} trigger={trigger}>
      {(button, close) => <PaperForm {...props} paperWords={words} button={button} onClose={close} />}
    </Opener>
  );
}
