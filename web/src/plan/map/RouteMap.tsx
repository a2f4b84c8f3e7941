import {
  Alert,
  Box,
  Button,
  CircularProgress,
  IconButton,
  Link,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
} from '@mui/material';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import {
  type PointerEvent,
  useEffect,
  useEffectEvent,
  useMemo,
  useRef,
  useState,
  type WheelEvent,
} from 'react';
import { Link as RouterLink } from 'react-router';
import { useTranslations } from 'use-intl';
import type { Design } from '../../api/client';
import { queries } from '../../api/queries';
import { foldedAtFirst, following, graphOf, type NodeKey, type Way } from './graph';
import { layOut } from './layout';
import { MapDrawing } from './MapDrawing';
import { download, svgFile } from './saveSvg';
import { standings } from './standing';

interface Props {
  design: Design;
  sel: string | null;
  select: (sel: string | null) => void;
}

const SMALLEST = 0.3;
const READABLE = 0.7;
const LARGEST = 2;
const WAYS: Way[] = ['both', 'before', 'after'];

/** The course as a map: what opens what, and through which condition. */
export default function RouteMap({ design, sel, select }: Props) {
  const t = useTranslations();
  const [folded, setFolded] = useState<ReadonlySet<number>>(() => foldedAtFirst(design, sel));
  const [way, setWay] = useState<Way>('both');
  const [scale, setScale] = useState(1);
  const drawing = useRef<SVGSVGElement>(null);
  const paper = useRef<HTMLDivElement>(null);
  const graph = useMemo(() => graphOf(design, folded), [design, folded]);
  const laid = useQuery({
    queryKey: ['map', design.course, JSON.stringify(graph)],
    queryFn: () => layOut(graph),
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
  });
  const progress = useQuery(queries.progress(design.course)).data;
  const stand = useMemo(() => standings(design, progress), [design, progress]);
  const chosen = shown(design, sel, folded);
  const followed = useMemo(
    () => (chosen ? following(design, graph, chosen, way) : undefined),
    [design, graph, chosen, way],
  );
  const fold = (module: number) =>
    setFolded((now) => {
      const next = new Set(now);
      if (!next.delete(module)) next.add(module);
      return next;
    });
  const allFolded = design.modules.every((m) => folded.has(m.id));
  const zoom = (by: number) => setScale((s) => Math.min(LARGEST, Math.max(SMALLEST, s * by)));
  const fitIn = (least = SMALLEST) => {
    const room = paper.current;
    if (!room || !laid.data) return;
    const across = room.clientWidth / (laid.data.width + 40);
    const down = room.clientHeight / (laid.data.height + 40);
    setScale(Math.min(1, Math.max(least, Math.min(across, down))));
  };
  // at first as small as can be read, with what is selected in sight, or where the course begins
  const there = laid.data !== undefined;
  const begin = useEffectEvent(() => {
    fitIn(READABLE);
  });
  const centre = useEffectEvent(() => {
    const first = chosen ?? (design.modules[0] && `module-${design.modules[0].id}`);
    drawing.current
      ?.querySelector(`[data-key="${first}"]`)
      ?.scrollIntoView?.({ block: 'center', inline: 'center' });
  });
  useEffect(() => {
    if (there) begin();
  }, [there]);
  useEffect(() => {
    if (there && scale > 0) centre();
  }, [there, scale]);
  // the inspector takes room beside the map, and may come to lie where the thing was
  const inSight = useEffectEvent(() => {
    drawing.current
      ?.querySelector(`[data-key="${chosen}"]`)
      ?.scrollIntoView?.({ block: 'nearest', inline: 'nearest' });
  });
  useEffect(() => {
    if (there && chosen) inSight();
  }, [there, chosen]);
  useEffect(() => {
    const room = paper.current;
    if (!there || !room) return;
    const sized = new ResizeObserver(() => inSight());
    sized.observe(room);
    return () => sized.disconnect();
  }, [there]);
  const save = () => {
    if (drawing.current)
      download(
        svgFile(drawing.current, getComputedStyle(document.documentElement)),
        `${design.name}.svg`,
        'image/svg+xml',
      );
  };
  const name = chosen ? nameOf(graph.nodes, chosen) : undefined;
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', minHeight: 0 }}>
      <Box
        role="toolbar"
        aria-label={t('map.tools')}
        sx={{
          display: 'flex',
          flexWrap: 'wrap',
          alignItems: 'center',
          gap: 1,
          mb: 1,
          '@media print': { display: 'none' },
        }}
      >
        {name ? (
          <>
            <Typography variant="body2">
              {t.rich('map.following', { name, b: (text) => <b>{text}</b> })}
            </Typography>
            <ToggleButtonGroup
              exclusive
              size="small"
              value={way}
              aria-label={t('map.way')}
              onChange={(_, next: Way | null) => next && setWay(next)}
            >
              {WAYS.map((w) => (
                <ToggleButton key={w} value={w} sx={{ py: 0.25 }}>
                  {t(`map.follow.${w}`)}
                </ToggleButton>
              ))}
            </ToggleButtonGroup>
            <Elsewhere course={design.course} chosen={chosen} />
            <Button size="small" onClick={() => select(null)}>
              {t('map.showAll')}
            </Button>
          </>
        ) : (
          <Typography variant="body2" color="textSecondary">
            {t('map.hint')}
          </Typography>
        )}
        <Box sx={{ ml: 'auto', display: 'flex', alignItems: 'center', gap: 0.5 }}>
          <Button
            size="small"
            onClick={() =>
              setFolded(allFolded ? new Set() : new Set(design.modules.map((m) => m.id)))
            }
          >
            {t(allFolded ? 'map.unfoldAll' : 'map.foldAll')}
          </Button>
          <IconButton size="small" aria-label={t('map.smaller')} onClick={() => zoom(0.8)}>
            −
          </IconButton>
          <IconButton size="small" aria-label={t('map.larger')} onClick={() => zoom(1.25)}>
            +
          </IconButton>
          <Button size="small" onClick={() => fitIn()}>
            {t('map.fit')}
          </Button>
          <Button size="small" onClick={save} disabled={!laid.data}>
            {t('map.save')}
          </Button>
        </Box>
      </Box>
      {laid.error && <Alert severity="error">{laid.error.message}</Alert>}
      {laid.isPending && <CircularProgress aria-label={t('map.layingOut')} />}
      {laid.data && (
        <Box
          ref={paper}
          {...panning}
          onWheel={(event: WheelEvent) => {
            if (event.ctrlKey) zoom(event.deltaY < 0 ? 1.1 : 0.9);
          }}
          sx={{
            overflow: 'auto',
            height: 'max(320px, calc(100vh - 220px))',
            border: 1,
            borderColor: 'divider',
            bgcolor: 'tone.ground',
            '@media print': {
              height: 'auto',
              border: 0,
              overflow: 'visible',
              '& svg': { width: '100%', height: 'auto' },
            },
          }}
        >
          <MapDrawing
            placed={laid.data}
            standings={stand}
            selected={chosen ?? null}
            followed={followed}
            scale={scale}
            title={t('map.title', { course: design.name })}
            onSelect={select}
            onFold={fold}
            drawing={drawing}
          />
        </Box>
      )}
      <Typography variant="caption" color="textSecondary" sx={{ mt: 0.75 }}>
        {t('map.legend')}
      </Typography>
    </Box>
  );
}

/** The view in which an outcome or a badge is worked at. */
function Elsewhere({ course, chosen }: { course: number; chosen: string | undefined }) {
  const t = useTranslations();
  const [kind] = (chosen ?? '').split('-');
  if (kind !== 'outcome' && kind !== 'badge') return null;
  const view = kind === 'outcome' ? 'outcomes' : 'badges';
  return (
    <Link component={RouterLink} to={`/c/${course}/plan/${view}?sel=${chosen}`}>
      {t(`map.to.${kind}`)}
    </Link>
  );
}

/** What is selected, or the folded module in which it is. */
function shown(design: Design, sel: string | null, folded: ReadonlySet<number>) {
  if (!sel) return undefined;
  const home = design.modules.find((m) => m.steps.some((s) => `step-${s.id}` === sel));
  return home && folded.has(home.id) ? `module-${home.id}` : sel;
}

function nameOf(nodes: ReturnType<typeof graphOf>['nodes'], key: NodeKey): string | undefined {
  for (const node of nodes) {
    if (node.key === key) return node.name;
    const step = node.steps.find((s) => s.key === key);
    if (step) return step.name;
  }
  return undefined;
}

/** The empty paper is drawn along by the pointer. */
const panning = {
  onPointerDown: (event: PointerEvent<HTMLDivElement>) => {
    const paper = event.currentTarget;
    const onSomething = (event.target as Element).closest('[data-key], [data-fold]');
    if (onSomething || event.pointerType === 'touch' || event.button !== 0) return;
    const from = { x: event.clientX + paper.scrollLeft, y: event.clientY + paper.scrollTop };
    const move = (e: globalThis.PointerEvent) =>
      paper.scrollTo(from.x - e.clientX, from.y - e.clientY);
    const end = () => {
      window.removeEventListener('pointermove', move);
      window.removeEventListener('pointerup', end);
    };
    window.addEventListener('pointermove', move);
    window.addEventListener('pointerup', end);
  },
};
