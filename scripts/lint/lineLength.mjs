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

export default { meta: { name: 'spatium' }, rules: { 'line-length': lineLength } };
