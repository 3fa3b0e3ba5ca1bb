/** What a number may be, with its unit and what a step of the arrow keys adds. */
export interface NumberRange {
  readonly unit: string;
  readonly min: number;
  readonly max: number;
  readonly step: number;
}
