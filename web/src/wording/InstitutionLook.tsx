import { Alert, Box, Typography } from '@mui/material';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { api, body } from '../api/client';
import { queries } from '../api/queries';
import { useNotice } from '../ui/Notice';
import { Loaded } from '../ui/Panel';
import { SavedField } from '../ui/SavedField';
import { useFieldChange } from '../ui/useFieldChange';
import { ColourField } from './ColourField';
import { MOMENTS } from './CourseWording';
import { MarkField } from './MarkField';
import { WordFields } from './WordFields';

const COLOURS = ['band', 'act', 'bandDark', 'actDark'] as const;

/** What the institution is called, how it looks and what it says to learners. */
export default function InstitutionLook() {
  const t = useTranslations();
  const client = useQueryClient();
  const notice = useNotice();
  const institution = useQuery(queries.institution());
  const change = useFieldChange({
    queryKey: queries.institution().queryKey,
    send: async (fields) => {
      const changed = await body(api.PATCH('/api/institution', { body: fields }));
      void client.invalidateQueries({ queryKey: queries.me().queryKey });
      return changed;
    },
    done: (undo) => notice({ tone: 'success', text: t('look.changed'), undo }),
  });
  return (
    <Box component="main" id="main" tabIndex={0} sx={{ overflow: 'auto', p: 3, outline: 0 }}>
      <Loaded query={institution}>
        {({ own, shipped, picture }) => (
          <Box
            sx={{
              display: 'grid',
              gap: { xs: 3, md: 5 },
              gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'repeat(2, minmax(0, 520px))' },
            }}
          >
            <Box sx={{ display: 'grid', gap: 2, alignContent: 'start' }}>
              <Typography variant="h2">{t('look.institution')}</Typography>
              {change.failed && <Alert severity="error">{change.failed}</Alert>}
              <SavedField
                label={t('institution.name')}
                value={own.name}
                onSave={(name) => change.set('name', own.name, name)}
                {...change.fault('name')}
              />
              <SavedField
                label={t('look.issuer')}
                value={own.issuer}
                onSave={(issuer) => change.set('issuer', own.issuer, issuer)}
                {...change.fault('issuer')}
              />
              <SavedField
                label={t('look.issuerAddress')}
                value={own.issuerAddress}
                placeholder="https://"
                onSave={(address) => change.set('issuerAddress', own.issuerAddress, address)}
                {...change.fault('issuerAddress')}
              />
              <SavedField
                label={t('look.issuerEmail')}
                value={own.issuerEmail}
                type="email"
                onSave={(email) => change.set('issuerEmail', own.issuerEmail, email)}
                {...change.fault('issuerEmail')}
              />
              <MarkField picture={picture} name={own.name} />
              <Typography variant="h2" sx={{ mt: 1 }}>
                {t('look.colours')}
              </Typography>
              <Typography color="textSecondary">{t('look.coloursHint')}</Typography>
              {COLOURS.map((place) => (
                <ColourField
                  key={place}
                  label={t(`look.${place}`)}
                  value={own[place]}
                  shipped={shipped[place]}
                  onSave={(colour) => change.set(place, own[place], colour)}
                  fault={change.fault(place)}
                />
              ))}
            </Box>
            <Box sx={{ display: 'grid', gap: 2, alignContent: 'start' }}>
              <Typography variant="h2">{t('look.words')}</Typography>
              <Typography>
                {t('wording.intro')} {t('wording.courses')}
              </Typography>
              <WordFields
                moments={MOMENTS}
                own={own}
                otherwise={shipped}
                named={{ step: t('wording.step'), course: t('wording.course') }}
                onSave={(moment, text) => change.set(moment, own[moment], text)}
                fault={change.fault}
              />
            </Box>
          </Box>
        )}
      </Loaded>
    </Box>
  );
}
