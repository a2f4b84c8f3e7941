import { Box, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import type { DesignBadge } from '../../api/client';
import { BadgeDrawing } from '../../ui/BadgeDrawing';
import { Section } from '../../ui/Panel';
import { SavedField } from '../../ui/SavedField';
import type { Draft } from '../useDraft';
import { type Art, BEGINNINGS, beginWith, contrasts, EDGES, PATTERNS, WORDS_AT } from './art';
import { Choice } from './Choice';
import { ColourRow } from './ColourRow';
import { OwnPictureField } from './OwnPictureField';
import { SignPicker } from './SignPicker';
import { useStudio } from './useStudio';

const MOST_WORDS = 32;

/** Where a badge is drawn: what there is to choose, and how it looks while one chooses. */
export default function Studio({ badge, draft }: { badge: DesignBadge; draft: Draft }) {
  const t = useTranslations();
  const { picture } = badge;
  const put = (change: Partial<DesignBadge['picture']>) =>
    draft.badge(badge, { picture: { ...picture, ...change } });
  const draw = (change: Partial<Art>) =>
    put({ art: { ...picture.art, ...change }, own: undefined });
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 2,
        gridTemplateColumns: 'minmax(280px, 320px) minmax(280px, 1fr)',
        alignItems: 'start',
        '@media (max-width: 899px)': { gridTemplateColumns: '1fr' },
      }}
    >
      <Box sx={{ display: 'grid', order: { xs: 1, md: 0 } }}>
        <Choices art={picture.art} draw={draw} />
        <Section title={t('badge.ownPicture')}>
          <OwnPictureField own={picture.own} onChange={(own) => put({ own })} />
        </Section>
      </Box>
      <Box sx={{ display: 'grid', gap: 1.5, position: { md: 'sticky' }, top: 0 }}>
        <Looks badge={badge} />
        <ColourChoices art={picture.art} draw={draw} />
        <SavedField
          label={t('badge.alt')}
          value={picture.alt}
          multiline
          minRows={1}
          placeholder={t('badge.altExample')}
          helperText={picture.alt ? undefined : t('badge.altMissing')}
          error={!picture.alt}
          onSave={(alt) => put({ alt })}
          slotProps={{ inputLabel: { shrink: true } }}
        />
      </Box>
    </Box>
  );
}

function Choices({ art, draw }: { art: Art; draw: (change: Partial<Art>) => void }) {
  const t = useTranslations();
  const studio = useStudio();
  if (!studio) return <Typography color="textSecondary">{t('common.loading')} …</Typography>;
  const bare: Art = { ...art, sign: '', words: '', wordsAt: 'NOWHERE', pattern: 'NONE' };
  return (
    <>
      <Tiles label={t('badge.beginWith')}>
        {BEGINNINGS.map((beginning, n) => (
          <Choice
            key={beginning.shape}
            label={t('badge.beginning', { n: n + 1 })}
            onChoose={() => draw(beginWith(beginning, art))}
          >
            <BadgeDrawing picture={{ art: beginning }} label="" size={34} />
          </Choice>
        ))}
      </Tiles>
      <Tiles label={t('plan.shape')}>
        {Object.entries(studio.outlines).map(([shape, d]) => (
          <Choice
            key={shape}
            label={t(`badge.shapes.${shape}`)}
            chosen={shape === art.shape}
            onChoose={() => draw({ shape: shape as Art['shape'] })}
          >
            <svg viewBox="0 0 256 256" width={28} height={28} aria-hidden="true">
              <path d={d} fill="currentColor" />
            </svg>
          </Choice>
        ))}
      </Tiles>
      <Tiles label={t('badge.edge')}>
        {EDGES.map((edge) => (
          <Choice
            key={edge}
            label={t(`badge.edges.${edge}`)}
            chosen={edge === art.edge}
            onChoose={() => draw({ edge })}
          >
            <BadgeDrawing picture={{ art: { ...bare, edge } }} label="" size={34} />
          </Choice>
        ))}
      </Tiles>
      <Tiles label={t('badge.pattern')}>
        {PATTERNS.map((pattern) => (
          <Choice
            key={pattern}
            label={t(`badge.patterns.${pattern}`)}
            chosen={pattern === art.pattern}
            onChoose={() => draw({ pattern })}
          >
            <BadgeDrawing
              picture={{ art: { ...bare, edge: 'NONE', pattern } }}
              label=""
              size={34}
            />
          </Choice>
        ))}
      </Tiles>
      <Section title={t('badge.words')}>
        <SavedField
          label={t('badge.wordsOn')}
          value={art.words}
          slotProps={{ htmlInput: { maxLength: MOST_WORDS }, inputLabel: { shrink: true } }}
          fullWidth
          onSave={(words) =>
            draw({ words, ...(words && art.wordsAt === 'NOWHERE' && { wordsAt: 'RIBBON' }) })
          }
        />
        <ToggleButtonGroup
          exclusive
          size="small"
          value={art.wordsAt}
          aria-label={t('badge.wordsAt')}
          onChange={(_, wordsAt) => wordsAt && draw({ wordsAt })}
          sx={{ mt: 0.75 }}
        >
          {WORDS_AT.map((at) => (
            <ToggleButton key={at} value={at} sx={{ px: 1.25 }}>
              {t(`badge.places.${at}`)}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      </Section>
      <Section title={t('plan.sign')}>
        <SignPicker art={art} onChange={draw} />
      </Section>
    </>
  );
}

/** Its colours, and whether what stands on them can be seen. */
function ColourChoices({ art, draw }: { art: Art; draw: (change: Partial<Art>) => void }) {
  const t = useTranslations();
  const studio = useStudio();
  if (!studio) return null;
  return (
    <Section title={t('badge.coloursOf')}>
      <Box sx={{ display: 'grid', gap: 1 }}>
        {(['colour', 'signColour', 'trimColour', 'wordsColour'] as const).map((of) => (
          <ColourRow
            key={of}
            label={t(`badge.colourOf.${of}`)}
            value={art[of]}
            colours={studio.colours}
            onChange={(colour) => draw({ [of]: colour })}
          />
        ))}
      </Box>
      <Contrast art={art} />
    </Section>
  );
}

function Contrast({ art }: { art: Art }) {
  const t = useTranslations();
  const studio = useStudio();
  if (!studio) return null;
  return (
    <Box role="status" sx={{ mt: 1 }}>
      {contrasts(art, studio.colours).map((seen) => (
        <Typography
          key={seen.of}
          variant="body2"
          sx={{ color: seen.enough ? 'tone.lagoon' : 'tone.madder' }}
        >
          {t(seen.enough ? 'badge.canBeSeen' : 'badge.cannotBeSeen', {
            what: t(`badge.seen.${seen.of}`),
            ratio: seen.ratio.toFixed(1),
          })}
        </Typography>
      ))}
    </Box>
  );
}

function Tiles({ label, children }: { label: string; children: ReactNode }) {
  return (
    <Section title={label}>
      <Box
        role="group"
        aria-label={label}
        sx={{ display: 'grid', gridTemplateColumns: 'repeat(6, 1fr)', gap: 0.5 }}
      >
        {children}
      </Box>
    </Section>
  );
}

/** A badge in the sizes and on the grounds on which it will be met. */
function Looks({ badge }: { badge: DesignBadge }) {
  const t = useTranslations();
  const { picture } = badge;
  return (
    <>
      <Box
        sx={{
          bgcolor: 'tone.panel',
          border: 1,
          borderColor: 'divider',
          borderRadius: 1,
          display: 'grid',
          placeItems: 'center',
          p: 2,
        }}
      >
        <BadgeDrawing picture={picture} label={picture.alt || badge.name} size={256} />
      </Box>
      <Box
        sx={{
          bgcolor: 'tone.panel',
          border: 1,
          borderColor: 'divider',
          borderRadius: 1,
          display: 'flex',
          flexWrap: 'wrap',
          alignItems: 'end',
          justifyContent: 'space-around',
          gap: 2,
          p: 1.5,
        }}
      >
        <Look caption={t('badge.pixels', { n: 24 })}>
          <BadgeDrawing picture={picture} label="" size={24} />
        </Look>
        <Look caption={t('badge.pixels', { n: 64 })}>
          <BadgeDrawing picture={picture} label="" size={64} />
        </Look>
        <Look caption={t('badge.notEarnedYet')}>
          <BadgeDrawing picture={picture} label="" size={64} earned={false} />
        </Look>
        <Look caption={t('badge.onLight')}>
          <Box className="light" sx={{ p: 1, bgcolor: 'common.white', borderRadius: 1 }}>
            <BadgeDrawing picture={picture} label="" size={64} />
          </Box>
        </Look>
        <Look caption={t('badge.onDark')}>
          <Box sx={{ p: 1, bgcolor: 'common.black', borderRadius: 1 }}>
            <BadgeDrawing picture={picture} label="" size={64} />
          </Box>
        </Look>
      </Box>
    </>
  );
}

function Look({ caption, children }: { caption: string; children: ReactNode }) {
  return (
    <Box sx={{ display: 'grid', justifyItems: 'center', gap: 0.5 }}>
      {children}
      <Typography variant="caption" color="textSecondary">
        {caption}
      </Typography>
    </Box>
  );
}
