import type { AskProps } from '../room';
import { Either } from './Either';

export function Ask({ labelledBy, given, answer }: AskProps<'true-false'>) {
  return (
    <Either
      labelledBy={labelledBy}
      value={given?.itIsTrue}
      onChange={(itIsTrue) => answer({ is: 'true-false', itIsTrue })}
    />
  );
}
