/** Why a file was refused, in words for the person who chose it. */
export interface FormatProblem {
  readonly code: 'format/broken' | 'format/empty' | 'format/too-large';
  readonly message: string;
}
