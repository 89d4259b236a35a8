declare module '*.woff?inline' {
  /** The file as a `data:` address. */
  const url: string;
  export default url;
}
