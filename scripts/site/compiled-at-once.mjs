// What the bench runs when it opens: nearly all of it is called before the first key is pressed.
const AT_ONCE = new Set(['heart', 'react', 'BenchScreen']);

/** Says to the browser that a file is to be compiled whole, while it is read and beside the page, and not one function after the other while the page waits: the bench
 *  is usable a fifth sooner (docs/adr/0019). A browser that does not know the comment passes it by. */
export const compiledAtOnce = () => ({
  name: 'jentik-compiled-at-once',
  enforce: 'post',
  applyToEnvironment: ({ name }) => name === 'client',
  generateBundle: {
    // It counts in the first line only, and the bundler writes there last.
    order: 'post',
    handler: (_, bundle) => {
      for (const file of Object.values(bundle))
        if (file.type === 'chunk' && AT_ONCE.has(file.name))
          file.code = `//# allFunctionsCalledOnLoad\n${file.code}`;
    },
  },
});
