import { Box } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import type { CheckedThing, Finding } from '../../api/client';
import { queries } from '../../api/queries';
import { useCourse } from '../../frame/course';

const SHAPE: Record<Finding['weight'], string> = {
  FAULT: 'M2 2 L14 14 M14 2 L2 14',
  NOBODY: 'M8 1.5 L14.5 8 L8 14.5 L1.5 8 Z M4 8 H12',
  SOME: 'M1 8 H10 M12 3 V13',
  ODD: 'M8 2 V9 M8 12.5 V13.5',
};

/** How much a finding matters; shape alone tells them apart. */
export function FindingSign({ weight, meant }: { weight: Finding['weight']; meant: boolean }) {
  const colour = meant ? 'tone.slate' : weight === 'ODD' ? 'tone.ochreInk' : 'tone.madder';
  return (
    <Box
      component="svg"
      viewBox="0 0 16 16"
      aria-hidden
      sx={{ width: 15, height: 15, alignSelf: 'start', mt: 0.35, color: colour }}
    >
      <path d={SHAPE[weight]} fill="none" stroke="currentColor" strokeWidth={2} />
    </Box>
  );
}

/** The worst that is found at a thing and not meant so, in words for who asks; nothing where all is well. */
export function SignAt({ part, id }: Pick<CheckedThing, 'part' | 'id'>) {
  const course = useCourse();
  const worst = useQuery(queries.check(course.id)).data?.findings.find(
    (f) => !f.meant && f.place.part === part && f.place.id === id,
  );
  if (!worst) return null;
  return (
    <Box
      component="span"
      role="img"
      aria-label={worst.says}
      title={worst.says}
      sx={{ flex: 'none', mr: 0.75 }}
    >
      <FindingSign weight={worst.weight} meant={false} />
    </Box>
  );
}
