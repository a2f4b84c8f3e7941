import { Autocomplete, TextField } from '@mui/material';
import { useTranslations } from 'use-intl';

interface Props {
  tags: string[];
  known: string[];
  label?: string;
  /** Whether only known ones may be chosen. */
  strict?: boolean;
  onChange: (tags: string[]) => void;
}

/** Some tags, by typing them. */
export function TagsField({ tags, known, label, strict = false, onChange }: Props) {
  const t = useTranslations();
  const plain = (list: string[]) => [
    ...new Set(
      list
        .flatMap((tag) => tag.split(','))
        .map((tag) => tag.trim())
        .filter(Boolean),
    ),
  ];
  return (
    <Autocomplete
      multiple
      freeSolo={!strict}
      autoSelect={!strict}
      size="small"
      options={known}
      value={tags}
      onChange={(_, next) => onChange(plain(next))}
      renderInput={(params) => <TextField {...params} label={label ?? t('bank.tags')} />}
    />
  );
}
