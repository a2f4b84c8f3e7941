import { Box, Button, Checkbox, Typography } from '@mui/material';
import type { CSSProperties } from 'react';
import { useTranslations } from 'use-intl';
import type { RegisteredCertificate } from '../../api/client';
import { useCourse } from '../../frame/course';
import { day } from '../../ui/format';

export const COLUMNS =
  '34px 104px minmax(150px, 1.4fr) minmax(140px, 1fr) 118px 128px 76px minmax(150px, max-content)';

const COLOURS = {
  VALID: 'tone.lagoon',
  ENDED: 'tone.ochreInk',
  REVOKED: 'tone.madder',
  REPLACED: 'tone.soft',
} as const;

/** Whether it can be printed and given anew. */
export const stands = ({ state }: RegisteredCertificate) => state === 'VALID' || state === 'ENDED';

export function CertificateRow({
  certificate: c,
  index,
  style,
  measure,
  ticked,
  onTick,
  onAgain,
}: {
  certificate: RegisteredCertificate;
  index: number;
  style: CSSProperties | undefined;
  measure: ((row: HTMLElement | null) => void) | undefined;
  ticked: boolean;
  onTick: (on: boolean) => void;
  onAgain: () => void;
}) {
  const t = useTranslations();
  const course = useCourse();
  return (
    <Box
      ref={measure}
      data-index={index}
      style={style}
      role="row"
      sx={{
        display: 'grid',
        gridTemplateColumns: COLUMNS,
        gap: 1,
        alignItems: 'center',
        px: 1,
        py: 0.5,
        borderBottom: 1,
        borderColor: 'divider',
        minHeight: 40,
      }}
    >
      <span role="cell">
        <Checkbox
          size="small"
          sx={{ p: 0.25 }}
          disabled={!stands(c)}
          checked={ticked}
          onChange={(_, on) => onTick(on)}
          slotProps={{ input: { 'aria-label': t('certificates.tickOne', { number: c.number }) } }}
        />
      </span>
      <Box component="span" role="cell" sx={{ fontVariantNumeric: 'tabular-nums' }}>
        {c.number}
      </Box>
      <Box role="cell" sx={{ minWidth: 0, overflowWrap: 'anywhere' }}>
        <Typography>{c.name}</Typography>
        {c.state === 'VALID' && c.name !== c.learner && (
          <Typography variant="body2" sx={{ color: 'tone.ochreInk' }}>
            {t('certificates.calledNow', { name: c.learner })}
          </Typography>
        )}
        {c.unprinted && (
          <Typography variant="body2" sx={{ color: 'tone.madder' }}>
            {t('certificates.unprinted')}
          </Typography>
        )}
        {c.by !== undefined && (
          <Typography variant="body2" color="textSecondary">
            {t('certificates.anew', { name: c.by, reason: c.reason })}
          </Typography>
        )}
      </Box>
      <span role="cell">{c.title}</span>
      <span role="cell">{day(c.awardedAt)}</span>
      <span role="cell">{c.endsAt ? day(c.endsAt) : '–'}</span>
      <Box component="span" role="cell" sx={{ color: COLOURS[c.state] }}>
        {t(`certificates.states.${c.state}`)}
      </Box>
      <Box component="span" role="cell" sx={{ whiteSpace: 'nowrap' }}>
        {stands(c) && (
          <>
            <Button
              size="small"
              href={`/api/courses/${course.id}/certificates/${c.id}/pdf`}
              aria-label={t('certificates.pdfOf', { number: c.number })}
            >
              {t('certificates.pdf')}
            </Button>
            <Button
              size="small"
              onClick={onAgain}
              aria-label={t('certificates.againOf', { number: c.number })}
            >
              {t('certificates.again')}
            </Button>
          </>
        )}
      </Box>
    </Box>
  );
}
