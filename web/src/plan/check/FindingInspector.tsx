import { Box, Button, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Finding, Mend } from '../../api/client';
import { day } from '../../ui/format';
import { Kicker, Section } from '../../ui/Panel';
import { Mends } from './Mends';
import { ThingLink } from './ThingLink';
import type { Meaning } from './useMeant';

const SHOWN = 12;

/** Why something is found, what it holds up, and what to do about it. */
export function FindingInspector({
  finding,
  onMend,
  meaning,
}: {
  finding: Finding;
  onMend: ((mend: Mend) => void) | undefined;
  meaning: Meaning;
}) {
  const t = useTranslations();
  const rest = finding.holdsUp.length - SHOWN;
  return (
    <>
      <Kicker>{t(`checking.weight.${finding.weight}`)}</Kicker>
      <Typography variant="h2" sx={{ pr: 3 }}>
        <ThingLink thing={finding.place} />
      </Typography>
      <Typography sx={{ mt: 0.75 }}>{finding.says}</Typography>
      {finding.chain.length > 0 && (
        <Section title={t('checking.why')}>
          <Chain finding={finding} />
        </Section>
      )}
      {finding.mends.length > 0 && (
        <Section title={t('checking.mends')}>
          <Mends finding={finding} onMend={onMend} />
        </Section>
      )}
      {finding.weight !== 'FAULT' && <Meant finding={finding} meaning={meaning} />}
      {finding.holdsUp.length > 0 && (
        <Section title={t('checking.holdsUp', { count: finding.holdsUp.length })}>
          <Box component="ul" sx={{ m: 0, pl: 2.25 }}>
            {finding.holdsUp.slice(0, SHOWN).map((thing) => (
              <li key={`${thing.part}-${thing.id}`}>
                <ThingLink thing={thing} />
              </li>
            ))}
          </Box>
          {rest > 0 && (
            <Typography variant="body2" color="textSecondary">
              {t('common.more', { count: rest })}
            </Typography>
          )}
        </Section>
      )}
    </>
  );
}

/** One thing after the other, along a line that closes where they go in a circle. */
function Chain({ finding }: { finding: Finding }) {
  const circle = finding.code === 'CIRCLE' || finding.code === 'CIRCLE_LATER';
  return (
    <Box
      component="ol"
      sx={{
        listStyle: 'none',
        m: 0,
        p: 0,
        pl: 2,
        borderLeft: 2,
        ...(circle && { borderTop: 2, borderBottom: 2, py: 1 }),
        borderColor: circle ? 'tone.madder' : 'divider',
        display: 'grid',
        gap: 0.75,
      }}
    >
      {finding.chain.map((link) => (
        <Typography key={link.says} component="li" variant="body2">
          {link.says}
        </Typography>
      ))}
    </Box>
  );
}

/** That it is meant so, and why. */
function Meant({ finding, meaning }: { finding: Finding; meaning: Meaning }) {
  const t = useTranslations();
  const [reason, setReason] = useState('');
  if (finding.meant)
    return (
      <Section title={t('checking.meant')}>
        <Typography>{finding.meant.reason}</Typography>
        <Typography variant="body2" color="textSecondary">
          {t('checking.meantBy', { name: finding.meant.by, day: day(finding.meant.at) })}
        </Typography>
        <Button
          size="small"
          variant="outlined"
          sx={{ mt: 1 }}
          onClick={() => meaning.noMore(finding.key)}
        >
          {t('checking.notMeant')}
        </Button>
      </Section>
    );
  return (
    <Section title={t('checking.isMeant')}>
      <Box
        component="form"
        onSubmit={(e) => {
          e.preventDefault();
          if (reason.trim()) meaning.mean(finding.key, reason.trim());
        }}
        sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}
      >
        <TextField
          size="small"
          fullWidth
          label={t('checking.reason')}
          value={reason}
          onChange={(e) => setReason(e.target.value)}
          slotProps={{ htmlInput: { maxLength: 500 } }}
        />
        <Button type="submit" variant="outlined" disabled={!reason.trim()}>
          {t('checking.keep')}
        </Button>
      </Box>
    </Section>
  );
}
