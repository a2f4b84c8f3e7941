import { Box, Button, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import { MoveButtons } from '../MoveButtons';
import type { AskProps } from '../room';

export function Ask({ part, labelledBy, given, answer }: AskProps<'ordering'>) {
  const t = useTranslations();
  const words = new Map(part.things.map((thing) => [thing.id, thing.text]));
  const order = given?.things ?? part.things.map((thing) => thing.id);
  return (
    <Box role="group" aria-labelledby={labelledBy} sx={{ mt: 0.75 }}>
      <Box component="ol" sx={{ m: 0, pl: 3 }}>
        {order.map((id, n) => (
          <Box key={id} component="li" sx={{ py: 0.25 }}>
            <Box sx={{ display: 'flex', gap: 0.75, alignItems: 'center' }}>
              <MoveButtons
                things={order}
                at={n}
                name={words.get(id) ?? ''}
                onMove={(things) => answer({ is: 'ordering', things })}
              />
              <span>{words.get(id)}</span>
            </Box>
          </Box>
        ))}
      </Box>
      {!given && (
        <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', mt: 0.5, flexWrap: 'wrap' }}>
          <Typography variant="body2" color="textSecondary">
            {t('learn.notInOrder')}
          </Typography>
          <Button size="small" onClick={() => answer({ is: 'ordering', things: order })}>
            {t('learn.leaveOrder')}
          </Button>
        </Box>
      )}
    </Box>
  );
}
