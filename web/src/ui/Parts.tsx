import { Box, Typography } from '@mui/material';
import { useFormatter, useTranslations } from 'use-intl';
import type { Part } from '../api/client';
import { tone } from './tone';

function VerdictMark({ verdict }: { verdict: Part['verdict'] }) {
  const t = useTranslations();
  const drawing = {
    MET: <path d="M2 7l3.5 3.5L12 3.5" stroke={tone('lagoon')} strokeWidth={2.2} fill="none" />,
    NOT_YET: <circle cx={7} cy={7} r={4} fill="none" stroke={tone('ochre')} strokeWidth={1.8} />,
    OUT_OF_REACH: <path d="M3 3l8 8M11 3l-8 8" stroke={tone('madder')} strokeWidth={2} />,
    WAIVED: <path d="M3 7h8" stroke={tone('slate')} strokeWidth={2} />,
  }[verdict];
  return (
    <svg
      width={14}
      height={14}
      role="img"
      aria-label={t(`watch.verdict.${verdict}`)}
      style={{ flex: 'none', marginTop: 3 }}
    >
      {drawing}
    </svg>
  );
}

/** A rule with what each part of it comes to, for staff. */
export function RuleParts({ part }: { part: Part }) {
  const t = useTranslations();
  if (part.is === 'ask')
    return (
      <Box sx={{ display: 'flex', gap: 1, py: 0.4 }}>
        <VerdictMark verdict={part.verdict} />
        <Box sx={{ minWidth: 0 }}>
          <Typography variant="body2">
            {part.subject && `${part.subject} `}
            <b>{part.says}</b>
          </Typography>
          {part.ground && (
            <Typography variant="caption" color="textSecondary" component="p">
              {part.ground}
            </Typography>
          )}
        </Box>
      </Box>
    );
  return (
    <Box>
      <Typography variant="caption" color="textSecondary">
        {t.rich(`plan.joint.${part.is}`, { n: part.n, joint: (word) => word })}
      </Typography>
      <Box sx={{ pl: 1, borderLeft: 1, borderColor: 'divider' }}>
        {part.parts.map((p) => (
          <RuleParts key={p.id} part={p} />
        ))}
      </Box>
    </Box>
  );
}

const leaves = (part: Part): Part[] => (part.is === 'ask' ? [part] : part.parts.flatMap(leaves));

/** What keeps something closed, in one or two sentences for the learner. */
export function Missing({ parts, inline = false }: { parts: Part[]; inline?: boolean }) {
  const t = useTranslations();
  const needs = useNeeds();
  const lines = parts.filter((p) => p.verdict !== 'MET' && p.verdict !== 'WAIVED');
  const met = parts.flatMap(leaves).filter((p) => p.verdict === 'MET');
  return (
    <Typography variant={inline ? 'caption' : 'body2'} component="div" color="textSecondary">
      {lines.map((part, n) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: parts of several rules may share an id and never move
        <Box component="span" key={n} sx={{ mr: 0.75 }}>
          {part.verdict === 'OUT_OF_REACH' ? (
            <Box component="span" sx={{ color: 'tone.madder' }}>
              {t('learn.outOf', { needs: needs(part) })}
            </Box>
          ) : (
            t('learn.opensWhen', { needs: needs(part) })
          )}
        </Box>
      ))}
      {met.map((part) => (
        <Box
          component="span"
          key={part.id}
          sx={{ color: 'tone.lagoon', fontWeight: 700, mr: 0.75 }}
        >
          {capital(part.says)}.
        </Box>
      ))}
    </Typography>
  );
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** Says a rule in one phrase after "when you"; what is met already is left out. */
export function useNeeds() {
  const t = useTranslations();
  const { list } = useFormatter();
  const all = (parts: string[]) => list(parts, { type: 'unit', style: 'short' });
  return function needs(part: Part): string {
    if (part.is === 'ask') return part.says;
    const open = part.parts.filter((p) => p.verdict !== 'MET' && p.verdict !== 'WAIVED');
    const said = open.map((p) =>
      p.is !== 'ask' && open.length > 1 ? t('learn.needs.group', { needs: needs(p) }) : needs(p),
    );
    switch (part.is) {
      case 'all':
        return list(said, { type: 'conjunction' });
      case 'any':
        return list(said, { type: 'disjunction' });
      case 'after':
        return t('learn.needs.after', { needs: all(said), n: part.n });
      case 'none': {
        const past = part.parts.filter((p) => p.verdict === 'MET').map(needs);
        return t('learn.needs.none', { needs: all(past) });
      }
      default:
        return t('learn.needs.some', { n: part.n, needs: all(said) });
    }
  };
}
