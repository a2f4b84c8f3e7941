import { Autocomplete, Box, TextField } from '@mui/material';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Proposal, RuleNode } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import type { Place } from './RuleEditor';

/** Proposes conditions for what is typed; arrow keys move, Enter takes. */
export function ConditionInput({
  at,
  example,
  label,
  also = () => [],
  autoFocus = false,
  like,
  begin = '',
  onEmptyKey,
  onLeave,
  onTake,
}: {
  at: Place;
  example: string;
  /** What the field is called, where it does not add a condition. */
  label?: string;
  /** What else can be meant by what is typed; it comes first. */
  also?: (text: string) => Proposal[];
  autoFocus?: boolean;
  /** The condition in whose place one will stand, and what the field says at first. */
  like?: RuleNode['leaf'];
  begin?: string;
  /** Keys of an empty field: it stands in a row with the conditions. */
  onEmptyKey?: (event: KeyboardEvent) => void;
  /** Left without taking anything. */
  onLeave?: () => void;
  onTake: (p: Proposal) => void;
}) {
  const t = useTranslations();
  const course = useCourse();
  const [text, setText] = useState(begin);
  const asked = useDeferredValue(text);
  const found = useQuery({
    ...queries.proposals(course.id, at.place, at.id, asked, like && JSON.stringify(like)),
    placeholderData: keepPreviousData,
  });
  const options = text.trim() ? [...also(text), ...(found.data ?? [])] : [];
  const called = label ?? t('plan.addCondition', { example });
  return (
    <Autocomplete<Proposal, false, true, false>
      fullWidth
      autoHighlight
      disableClearable
      value={null as unknown as Proposal}
      inputValue={text}
      options={options}
      filterOptions={(all) => all}
      getOptionLabel={(p) => `${p.subject} ${p.says}`}
      getOptionKey={(p) => JSON.stringify(p.leaf)}
      noOptionsText={text.trim() && !found.isFetching ? t('plan.noProposal', { text }) : null}
      open={text.trim() !== '' && (options.length > 0 || !found.isFetching)}
      forcePopupIcon={false}
      blurOnSelect={false}
      slotProps={{ listbox: { sx: { maxHeight: '32vh' } }, paper: { elevation: 6 } }}
      onKeyDown={(event) => {
        if (event.key === 'Escape' && onLeave) {
          event.stopPropagation();
          onLeave();
        } else if (text === '') onEmptyKey?.(event.nativeEvent);
      }}
      {...(onLeave && { onBlur: onLeave })}
      onInputChange={(_, next, why) => why !== 'reset' && setText(next)}
      onChange={(_, p) => {
        onTake(p);
        setText('');
      }}
      renderOption={(props, p) => {
        const { key, ...rest } = props;
        return (
          <Box component="li" key={key} {...rest} sx={{ fontSize: 13 }}>
            <span>
              {p.subject && `${p.subject} `}
              <b>{p.says}</b>
            </span>
          </Box>
        );
      }}
      renderInput={(params) => (
        <TextField
          {...params}
          autoFocus={autoFocus}
          placeholder={called}
          onFocus={(event) => begin && event.target.select()}
          slotProps={{
            ...params.slotProps,
            htmlInput: {
              ...params.slotProps?.htmlInput,
              'aria-label': called,
              'data-condition': '',
            },
          }}
          sx={{ '& fieldset': { borderStyle: 'dashed' } }}
        />
      )}
    />
  );
}
