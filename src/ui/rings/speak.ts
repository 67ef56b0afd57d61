'use client';

import { isOn } from './feedback';

/** Says something aloud, where that is turned on and the browser can. */
export function speak(text: string): void {
  if (!isOn('voice') || !('speechSynthesis' in window)) return;
  window.speechSynthesis.cancel();
  const utterance = new SpeechSynthesisUtterance(text);
  utterance.lang = 'en';
  window.speechSynthesis.speak(utterance);
}
