declare module 'subset-font' {
  /** A face with the letters of a text alone. */
  export default function subsetFont(
    face: Buffer,
    text: string,
    options: { targetFormat: 'woff2' },
  ): Promise<Buffer>;
}
