/** A pictogram that badges can bear: outlines in a box of 256, or lines in a box of 100. */
export interface Sign {
  name: string;
  tags: string[];
  fill?: string;
  bold?: string;
  line?: string;
}
