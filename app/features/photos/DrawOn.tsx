import type Konva from 'konva';
import { createElement, useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { OneOf } from '../../ui/OneOf';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';

/** Seen on any photo: red with a white edge. The same in both themes, as it goes into the picture. */
const MARK = '#d60000';
const EDGE = '#ffffff';
/** A stroke shorter than this is a slip of the finger, in points of the screen. */
const SHORTEST = 12;
const LETTERS = 22;

interface Drawing {
  stage: Konva.Stage;
  marks: Konva.Layer;
  konva: typeof Konva;
  /** Points of the picture in one of the screen. */
  scale: number;
}

interface Props {
  source: string;
  /** Hears the picture with what was drawn, as a file. */
  keep: (picture: Blob) => void;
  cancel: () => void;
}

/** A photo with arrows and words put on it by a finger: an arrow from where it is put down to where it points, a word where it is tapped. */
export function DrawOn({ source, keep, cancel }: Props) {
  const ground = useRef<HTMLDivElement>(null);
  const drawing = useRef<Drawing>(undefined);
  const tool = useRef<{ kind: 'arrow' | 'word'; word: string }>({ kind: 'arrow', word: '' });
  const [kind, setKind] = useState<'arrow' | 'word'>('arrow');
  const [word, setWord] = useState('');
  const [marks, setMarks] = useState(0);
  const [fault, setFault] = useState<string>();
  useEffect(() => {
    tool.current = { kind, word: word.trim() };
  }, [kind, word]);
  useEffect(() => {
    let wanted = true;
    open(
      ground.current,
      source,
      tool,
      (count) => setMarks(count),
      () => wanted,
    ).then(
      (opened) => {
        if (!wanted) opened?.stage.destroy();
        else drawing.current = opened;
      },
      () => {
        if (wanted) setFault('The picture cannot be opened here. It is kept as it is.');
      },
    );
    return () => {
      wanted = false;
      drawing.current?.stage.destroy();
      drawing.current = undefined;
    };
  }, [source]);
  const undo = (): void => {
    drawing.current?.marks.getChildren().at(-1)?.destroy();
    setMarks((count) => Math.max(0, count - 1));
  };
  const save = async (): Promise<void> => {
    const { stage, scale } = drawing.current ?? {};
    const picture = await stage?.toBlob({ pixelRatio: scale ?? 1 });
    if (picture instanceof Blob) keep(picture);
    else setFault('This browser makes no picture of it. The photo is kept as it is.');
  };
  return (
    <View style={styles.all} testID="draw-on">
      <OneOf
        label="What a finger draws"
        choices={[
          { id: 'arrow', label: 'Arrow', testID: 'draw-arrow' },
          { id: 'word', label: 'Word', testID: 'draw-word' },
        ]}
        chosen={kind}
        choose={setKind}
      />
      {kind === 'word' && (
        <Field
          label="The word"
          testID="draw-words"
          value={word}
          onChangeText={setWord}
          maxLength={40}
        />
      )}
      <Type size="small" tone="soft">
        {kind === 'arrow'
          ? 'Put a finger down and draw to where the arrow points.'
          : word.trim()
            ? 'Tap where it stands.'
            : 'Type it, then tap where it stands.'}
      </Type>
      {createElement('div', {
        ref: ground,
        'data-testid': 'draw-ground',
        role: 'img',
        'aria-label': 'The photo, to be drawn on',
        style: { width: '100%', touchAction: 'none' },
      })}
      {fault !== undefined && (
        <Type tone="bad" weight="strong" role="alert" testID="draw-fault">
          {fault}
        </Type>
      )}
      <View style={styles.row}>
        <Button
          look="act"
          icon="check"
          label="Keep the drawing"
          testID="draw-keep"
          style={styles.grow}
          disabled={marks === 0}
          onPress={() => void save()}
        />
        <Button
          icon="rotate-ccw"
          label="Take back"
          testID="draw-undo"
          disabled={marks === 0}
          onPress={undo}
        />
        <Button icon="x" label="Cancel" testID="draw-cancel" onPress={cancel} />
      </View>
    </View>
  );
}

/** Lays the photo into an element and listens to a finger on it. The package comes only when somebody draws. */
async function open(
  ground: HTMLDivElement | null,
  source: string,
  tool: { readonly current: { kind: 'arrow' | 'word'; word: string } },
  changed: (marks: number) => void,
  wanted: () => boolean,
): Promise<Drawing | undefined> {
  const [{ default: konva }, picture] = await Promise.all([import('konva'), pictureAt(source)]);
  if (!ground || !wanted()) return undefined;
  const width = ground.clientWidth;
  const scale = picture.naturalWidth / width;
  const stage = new konva.Stage({
    container: ground,
    width,
    height: picture.naturalHeight / scale,
  });
  const under = new konva.Layer({ listening: false });
  under.add(new konva.Image({ image: picture, width, height: stage.height() }));
  const marks = new konva.Layer({ listening: false });
  stage.add(under, marks);
  let arrow: Konva.Group | undefined;
  stage.on('pointerdown', () => {
    const at = stage.getPointerPosition();
    if (!at) return;
    const { kind, word } = tool.current;
    if (kind === 'word') {
      if (word) marks.add(wordAt(konva, word, at));
      return changed(marks.getChildren().length);
    }
    arrow = arrowFrom(konva, at);
    marks.add(arrow);
  });
  stage.on('pointermove', () => {
    const at = stage.getPointerPosition();
    if (arrow && at) pointTo(arrow, at);
  });
  // A finger may leave the picture before it is lifted.
  stage.on('pointerup pointerleave', () => {
    if (arrow && lengthOf(arrow) < SHORTEST) arrow.destroy();
    arrow = undefined;
    changed(marks.getChildren().length);
  });
  return { stage, marks, konva, scale };
}

function pictureAt(source: string): Promise<HTMLImageElement> {
  const picture = new Image();
  picture.src = source;
  return picture.decode().then(() => picture);
}

const wordAt = (konva: typeof Konva, text: string, { x, y }: Point): Konva.Text =>
  new konva.Text({
    text,
    x,
    y: y - LETTERS / 2,
    fontSize: LETTERS,
    fontStyle: 'bold',
    fill: MARK,
    stroke: EDGE,
    strokeWidth: 5,
    lineJoin: 'round',
    fillAfterStrokeEnabled: true,
  });

/** A white arrow under a red one: it is seen on dark and on light. */
function arrowFrom(konva: typeof Konva, { x, y }: Point): Konva.Group {
  const group = new konva.Group();
  for (const [stroke, strokeWidth] of [
    [EDGE, 9],
    [MARK, 5],
  ] as const)
    group.add(
      new konva.Arrow({
        points: [x, y, x, y],
        stroke,
        fill: stroke,
        strokeWidth,
        pointerLength: 14,
        pointerWidth: 14,
        lineCap: 'round',
        lineJoin: 'round',
      }),
    );
  return group;
}

interface Point {
  x: number;
  y: number;
}

const arrowsOf = (group: Konva.Group): Konva.Arrow[] => group.getChildren() as Konva.Arrow[];

function pointTo(group: Konva.Group, { x, y }: Point): void {
  for (const each of arrowsOf(group)) each.points([...each.points().slice(0, 2), x, y]);
}

function lengthOf(group: Konva.Group): number {
  const [x0 = 0, y0 = 0, x1 = 0, y1 = 0] = arrowsOf(group)[0]?.points() ?? [];
  return Math.hypot(x1 - x0, y1 - y0);
}

const styles = StyleSheet.create({
  all: { gap: space.m },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1 },
});
