/** Deeper than any file of this program is nested. */
const DEEPEST = 64;

/**
 * Whether a text of JSON is nested deeper than anything here is: what reads it goes from level to level, and would run
 * out of room.
 *
 * @example isTooDeep('['.repeat(65)) // true
 */
export function isTooDeep(json: string): boolean {
  let depth = 0;
  let isInText = false;
  for (let i = 0; i < json.length; i += 1) {
    const char = json[i];
    if (isInText) {
      if (char === '\\') i += 1;
      else if (char === '"') isInText = false;
    } else if (char === '"') isInText = true;
    else if (char === '[' || char === '{') {
      depth += 1;
      if (depth > DEEPEST) return true;
    } else if (char === ']' || char === '}') depth -= 1;
  }
  return false;
}
