declare module 'subset-font' {
  /** A font with no more than the letters of a text. */
  export default function subset(
    font: Buffer,
    text: string,
    options: {
      targetFormat: 'woff2';
      variationAxes?: Record<string, { min: number; max: number }>;
    },
  ): Promise<Buffer>;
}
