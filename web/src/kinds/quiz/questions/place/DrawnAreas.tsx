import { Box } from '@mui/material';
import { type PointerEvent, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { WrittenArea } from '../../../../api/client';
import { newId } from '../../../../ui/ids';
import { areaStyle, Picture } from './Picture';
import { between, type Place, placeOf, shifted, sized, stepOf } from './places';

interface Props {
  file: number;
  described: string;
  areas: WrittenArea[];
  named: (n: number) => string;
  onChange: (areas: WrittenArea[]) => void;
}

/** Smaller than this is a click, and no area. */
const LEAST = 0.01;

/** Areas on a picture: drawn by dragging, moved and sized by dragging and by keys. */
export function DrawnAreas({ file, described, areas, named, onChange }: Props) {
  const t = useTranslations();
  const [drag, setDrag] = useState<{ from: Place; to: Place; area?: WrittenArea }>();
  const put = (area: WrittenArea) => onChange(areas.map((a) => (a.id === area.id ? area : a)));
  const dragged = (): WrittenArea | undefined => {
    if (!drag) return undefined;
    const by = { x: drag.to.x - drag.from.x, y: drag.to.y - drag.from.y };
    return drag.area
      ? shifted(drag.area, by)
      : { id: '', called: '', round: false, ...between(drag.from, drag.to) };
  };
  const begin = (e: PointerEvent<HTMLElement>) => {
    if (e.button !== 0) return;
    const from = placeOf(e, e.currentTarget);
    const id = e.target instanceof HTMLElement ? e.target.dataset.area : undefined;
    const area = areas.find((a) => a.id === id);
    e.currentTarget.setPointerCapture?.(e.pointerId);
    setDrag({ from, to: from, ...(area && { area }) });
  };
  const end = () => {
    const next = dragged();
    setDrag(undefined);
    if (!next) return;
    if (drag?.area) put(next);
    else if (next.width >= LEAST && next.height >= LEAST)
      onChange([...areas, { ...next, id: newId() }]);
  };
  const now = dragged();
  return (
    <Box
      onPointerDown={begin}
      onPointerMove={(e) => drag && setDrag({ ...drag, to: placeOf(e, e.currentTarget) })}
      onPointerUp={end}
      onPointerCancel={() => setDrag(undefined)}
      sx={{
        position: 'relative',
        justifySelf: 'start',
        maxWidth: '100%',
        lineHeight: 0,
        cursor: 'crosshair',
        touchAction: 'none',
      }}
    >
      <Picture file={file} described={described}>
        {areas.map((area, n) => (
          <Box
            key={area.id}
            component="button"
            type="button"
            data-area={area.id}
            aria-label={t('plan.areaMove', { name: named(n) })}
            onKeyDown={(e) => {
              const step = stepOf(e);
              if (!step) return;
              e.preventDefault();
              put(e.shiftKey ? sized(area, step) : shifted(area, step));
            }}
            sx={{
              ...areaStyle(drag?.area?.id === area.id && now ? now : area),
              bgcolor: 'transparent',
              p: 0,
              cursor: 'move',
            }}
          />
        ))}
        {now && !drag?.area && <Box component="span" aria-hidden sx={areaStyle(now)} />}
      </Picture>
    </Box>
  );
}
