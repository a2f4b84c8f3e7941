import { useDroppable } from '@dnd-kit/core';
import { Box, Popover, Typography } from '@mui/material';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Design, RuleView } from '../api/client';
import { type Place, RuleEditor } from './RuleEditor';
import { cellOf, mayAsk, setRuleAt } from './ruleAt';
import type { Draft } from './useDraft';

interface Props {
  at: Place;
  rule: RuleView | undefined;
  /** What has the rule. */
  name: string;
  title: string;
  /** What is said where there is no rule; nothing for an empty cell. */
  usual: string;
  /** The sentence, where it says by itself what it is about. */
  line?: string;
  example: string;
  needed?: boolean;
  soft?: boolean;
  /** A step or module is dropped on rules. */
  dragged: string | null;
  design: Design;
  draft: Draft;
}

/**
 * A rule in its row, in at most two lines: a click or Enter edits it in place, and a step that is
 * dropped on it becomes one more condition.
 */
export function RuleCell(props: Props) {
  const { at, rule, name, title, usual, line, soft = false, dragged, design, draft } = props;
  const t = useTranslations();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const { setNodeRef, isOver } = useDroppable({
    id: cellOf(at),
    disabled: dragged === null || !mayAsk(at, dragged),
  });
  const text = line ?? rule?.line ?? usual;
  return (
    <>
      <Box
        ref={setNodeRef}
        component="button"
        type="button"
        aria-haspopup="dialog"
        {...(line === undefined && {
          'aria-label': t('plan.ruleOf', {
            title,
            name,
            rule: rule?.line ?? (usual || t('plan.always')),
          }),
        })}
        title={text}
        onClick={(e) => {
          e.stopPropagation();
          setAnchor(e.currentTarget);
        }}
        sx={{
          display: { xs: text ? 'block' : 'none', md: 'block' },
          width: '100%',
          minHeight: 28,
          p: '2px 5px',
          m: '0 -5px',
          textAlign: 'left',
          font: 'inherit',
          color: 'inherit',
          border: '1px dashed transparent',
          borderColor: isOver ? 'tone.indigo' : 'transparent',
          borderRadius: 1,
          bgcolor: isOver ? 'tone.indigoWash' : anchor ? 'tone.ground' : 'transparent',
          cursor: 'text',
          '&:hover, &:focus-visible': { borderColor: isOver ? 'tone.indigo' : 'tone.line' },
        }}
      >
        <Typography
          variant="body2"
          component="span"
          color={soft ? 'textSecondary' : undefined}
          sx={{
            display: '-webkit-box',
            WebkitLineClamp: 2,
            WebkitBoxOrient: 'vertical',
            overflow: 'hidden',
          }}
        >
          {line === undefined && (
            <Box component="span" sx={{ display: { md: 'none' }, color: 'tone.soft' }}>
              {title}{' '}
            </Box>
          )}
          {isOver ? t('plan.dropHere') : text}
        </Typography>
      </Box>
      <Popover
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
        onClick={(e) => e.stopPropagation()}
        slotProps={{
          paper: {
            role: 'dialog',
            'aria-label': `${name}: ${title}`,
            sx: { width: 400, maxWidth: '100%', p: 2, pt: 0 },
          },
        }}
      >
        <RuleEditor
          title={title}
          at={at}
          rule={rule}
          usual={usual}
          example={props.example}
          needed={props.needed ?? false}
          autoFocus
          onChange={(next) => setRuleAt(design, draft, at, next)}
        />
      </Popover>
    </>
  );
}
