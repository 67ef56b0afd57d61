import { formerWord } from './formerWords.mjs';

/** The length of lines that no formatter breaks: comments. Sentences, patterns and class names are not wrapped. */
const lineLength = {
  meta: { schema: [{ type: 'number' }] },
  create: (context) => ({
    Program() {
      const [most] = context.options;
      context.sourceCode.lines.forEach((line, i) => {
        const isComment = /^\s*(\*|\/[/*])/.test(line);
        if (line.length > most && (isComment || !/['"`/]/.test(line)))
          context.report({ loc: { line: i + 1, column: most }, message: `Longer than ${most} characters.` });
      });
    },
  }),
};

/** What people read: strings and the text of elements, without the words that were given up. */
const plainWords = {
  create: (context) => {
    const look = (node, text) => {
      const former = formerWord(text);
      if (former) context.report({ node, message: `“${former.found}” is a former word. Now: ${former.instead}.` });
    };
    return {
      Literal: (node) => typeof node.value === 'string' && look(node, node.value),
      TemplateElement: (node) => look(node, node.value.raw),
      JSXText: (node) => look(node, node.value),
    };
  },
};

export default { meta: { name: 'spatium' }, rules: { 'line-length': lineLength, 'plain-words': plainWords } };
