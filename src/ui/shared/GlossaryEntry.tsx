'use client';

import { type Word, meaningOf } from '@/core/glossary';

/** What a word of the trade means. */
export function GlossaryEntry({ word }: { word: Word }) {
  return (
    <>
      <p className="mb-1 font-bold">{word}</p>
      <p>{meaningOf(word)}</p>
      <p className="mt-2 text-sm text-soft">All words: the ? at the top, then Words.</p>
    </>
  );
}
