/** The address of a worker that is built as one more entry of the page's own build: see vite.config.ts. */
declare module '*?sharing' {
  const url: string;
  export default url;
}
