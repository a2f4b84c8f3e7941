import type { MarkerProps } from '../room';
import { JudgeForm } from '../shared/JudgeForm';

/** Work that was handed in: its newest version is judged and gets points. */
export default function Marker(props: MarkerProps) {
  const newest = props.work.versions[0];
  return <JudgeForm {...props} version={newest?.version ?? 0} ready={newest !== undefined} />;
}
