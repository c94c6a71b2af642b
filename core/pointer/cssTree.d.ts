// The parts of css-tree that we use, apart from its grammar of CSS, which is large.

declare module 'css-tree/tokenizer' {
  export { tokenize, tokenTypes } from 'css-tree'
}

declare module 'css-tree/utils' {
  export { string, url } from 'css-tree'
}
