import { useEffect, useReducer, useRef, useState } from 'react';
import type { Diagram } from '../../../core/diagram/diagram';
import { keepDraft, type KeptDraft } from '../../sync/keptDrafts';

interface History {
  past: Diagram[];
  present: Diagram;
  future: Diagram[];
  /** The version that is stored of it, and what that was. */
  stored: { version: number; body: Diagram } | undefined;
}

type Action =
  | { do: 'change'; to: Diagram }
  | { do: 'undo' | 'redo' }
  | { do: 'stored'; version: number; body: Diagram };

function next(history: History, action: Action): History {
  const { past, present, future } = history;
  switch (action.do) {
    case 'change':
      return { ...history, past: [...past, present], present: action.to, future: [] };
    case 'undo': {
      const before = past.at(-1);
      if (!before) return history;
      return { ...history, past: past.slice(0, -1), present: before, future: [present, ...future] };
    }
    case 'redo': {
      const [after, ...rest] = future;
      if (!after) return history;
      return { ...history, past: [...past, present], present: after, future: rest };
    }
    case 'stored':
      return { ...history, stored: { version: action.version, body: action.body } };
  }
}

/** A diagram as it is worked on: every change can be taken back, and what is not stored yet is on the device. */
export interface Draft {
  diagram: Diagram;
  change: (to: Diagram) => void;
  undo: (() => void) | undefined;
  redo: (() => void) | undefined;
  stored: History['stored'];
  /** Whether all of it is stored. */
  whole: boolean;
  /** Whether the device keeps what is not stored: a full one does not. */
  kept: boolean;
  markStored: (version: number, body: Diagram) => void;
}

/** Changes that can still be taken back, or done again, after the page was gone. */
const MOST_KEPT = 40;

export function useDraft(who: string, begun: KeptDraft): Draft {
  const { diagram, stored, past: before = [], future: after = [] } = begun;
  const [history, act] = useReducer(next, {
    past: before,
    present: diagram,
    future: after,
    stored,
  });
  const [onDevice, setOnDevice] = useState(true);
  const { past, present, future } = history;
  const whole = history.stored?.body === present;
  const opened = useRef(history);
  useEffect(() => {
    // What is as it was opened is no draft yet.
    if (history === opened.current) return;
    const kept = {
      ...{ diagram: present, stored: history.stored },
      ...{ past: past.slice(-MOST_KEPT), future: future.slice(0, MOST_KEPT) },
    };
    void keepDraft(who, present.id, whole ? undefined : kept).then(setOnDevice);
  }, [who, history, present, past, future, whole]);
  return {
    diagram: present,
    change: (to) => act({ do: 'change', to }),
    undo: past.length ? () => act({ do: 'undo' }) : undefined,
    redo: future.length ? () => act({ do: 'redo' }) : undefined,
    stored: history.stored,
    whole,
    kept: onDevice,
    markStored: (version, body) => act({ do: 'stored', version, body }),
  };
}
