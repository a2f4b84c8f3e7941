import { Box, Link, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { Link as RouterLink } from 'react-router';
import { useTranslations } from 'use-intl';
import type { CheckedThing, Design } from '../../api/client';
import { queries } from '../../api/queries';
import type { Draft } from '../useDraft';
import { FindingSign } from './FindingSign';
import { Mends } from './Mends';
import { useMend } from './useMend';

/** What checking the draft finds at a thing, where it is changed; nothing where all is well or meant. */
export function FindingsAt({
  part,
  id,
  design,
  draft,
}: {
  part: CheckedThing['part'];
  id: number;
  design: Design;
  draft: Draft;
}) {
  const t = useTranslations();
  const check = useQuery(queries.check(design.course));
  const mend = useMend(design, draft);
  const here = (check.data?.findings ?? []).filter(
    (f) => !f.meant && f.place.part === part && f.place.id === id,
  );
  return here.map((f) => (
    <Box
      key={f.key}
      sx={{
        mt: 1.5,
        display: 'grid',
        gridTemplateColumns: '22px minmax(0, 1fr)',
        gap: 0.5,
        borderLeft: 3,
        borderColor: f.weight === 'ODD' ? 'tone.ochre' : 'tone.madder',
        pl: 1,
      }}
    >
      <FindingSign weight={f.weight} meant={false} />
      <Box sx={{ display: 'grid', gap: 0.75 }}>
        <Typography variant="body2">
          {f.says}{' '}
          <Link
            component={RouterLink}
            relative="path"
            to={`../check?sel=${encodeURIComponent(f.key)}`}
          >
            {t('checking.why')}
          </Link>
        </Typography>
        <Mends finding={f} onMend={mend} most={1} />
      </Box>
    </Box>
  ));
}
