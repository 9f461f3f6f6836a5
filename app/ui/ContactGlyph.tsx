import Svg, { Circle, Line } from 'react-native-svg';
import type { CellState } from '../../core/diagram/diagram';
import { useTheme, type Palette } from '../theme/theme';

interface Props {
  state: CellState;
  size?: number;
  tone?: keyof Palette;
}

/**
 * A contact as it stands: a bridge lying on both terminals when closed, lifted with a gap when
 * open, lying dashed when it may be either. The shape says it, the colour does not have to.
 */
export function ContactGlyph({ state, size = 44, tone = 'ink' }: Props) {
  const palette = useTheme();
  const colour = palette[tone];
  const height = size * 0.55;
  return (
    <Svg width={size} height={height} viewBox="0 0 44 24" aria-hidden>
      <Line x1={0} y1={18} x2={8} y2={18} stroke={colour} strokeWidth={3} />
      <Line x1={36} y1={18} x2={44} y2={18} stroke={colour} strokeWidth={3} />
      {state === 'closed' && (
        <Line x1={8} y1={18} x2={36} y2={18} stroke={colour} strokeWidth={5} />
      )}
      {state === 'open' && (
        <Line x1={8} y1={18} x2={31} y2={3} stroke={colour} strokeWidth={4} strokeLinecap="round" />
      )}
      {state === 'either' && (
        <>
          <Line
            x1={8}
            y1={18}
            x2={36}
            y2={18}
            stroke={colour}
            strokeWidth={3}
            strokeDasharray="4 4"
          />
          <Line
            x1={8}
            y1={18}
            x2={31}
            y2={3}
            stroke={colour}
            strokeWidth={3}
            strokeDasharray="4 4"
          />
        </>
      )}
      <Circle cx={8} cy={18} r={4.5} fill={palette.card} stroke={colour} strokeWidth={3} />
      <Circle cx={36} cy={18} r={4.5} fill={palette.card} stroke={colour} strokeWidth={3} />
    </Svg>
  );
}
