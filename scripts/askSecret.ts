/** Asks for a PIN at the keyboard without showing it, or takes the first line of standard input. */
import { createInterface } from 'node:readline';
import { Writable } from 'node:stream';

/** @param prompt what is asked for */
export function askSecret(prompt: string): Promise<string> {
  const isTyped = process.stdin.isTTY;
  const unseen = new Writable({ write: (_piece, _encoding, done) => done() });
  const lines = createInterface({ input: process.stdin, ...(isTyped && { output: unseen, terminal: true }) });
  if (isTyped) process.stderr.write(prompt);
  return new Promise((resolve) => {
    let answer = '';
    lines.once('line', (line) => {
      answer = line;
      lines.close();
    });
    lines.once('close', () => {
      if (isTyped) process.stderr.write('\n');
      resolve(answer);
    });
  });
}
