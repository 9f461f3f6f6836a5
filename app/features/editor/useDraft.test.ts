/** @jest-environment node */
import { act, renderHook } from '@testing-library/react-native';
import 'fake-indexeddb/auto';
import { blankDiagram } from '../../../core/draft/derive';
import { keepSetting, keptSetting } from '../../sync/device';
import { keptDrafts, sheetKey, throwDraftAway } from '../../sync/keptDrafts';
import { useDraft } from './useDraft';

const named = (name: string) => ({ ...blankDiagram('own-1'), name });
const onDevice = async (shop: string) => {
  // What is kept goes through the device's queue.
  await new Promise((done) => setTimeout(done, 50));
  return (await keptDrafts(shop))['own-1'];
};

it('keeps each change on the device, and what was taken back is taken back there too', async () => {
  const begun = { diagram: named('New unit'), stored: undefined };
  const { result } = renderHook(() => useDraft('demo', begun));
  expect(await onDevice('demo')).toBeUndefined();
  await act(async () => result.current.change(named('Dryer')));
  await act(async () => result.current.change(named('Gas dryer')));
  expect((await onDevice('demo'))?.past?.map(({ name }) => name)).toEqual(['New unit', 'Dryer']);
  await act(async () => result.current.undo?.());
  await act(async () => result.current.undo?.());
  expect(result.current.undo).toBeUndefined();
  expect((await onDevice('demo'))?.diagram.name).toBe('New unit');
  await act(async () => result.current.redo?.());
  expect((await onDevice('demo'))?.diagram.name).toBe('Dryer');
});

it('goes on after the page was gone with what can be taken back, and lets go of what is stored', async () => {
  const kept = { diagram: named('Dryer'), stored: undefined, past: [named('New unit')] };
  const { result } = renderHook(() => useDraft('own', kept));
  await act(async () => result.current.undo?.());
  expect(result.current.diagram.name).toBe('New unit');
  // What was taken back is done again on the next page.
  expect((await onDevice('own'))?.future?.map(({ name }) => name)).toEqual(['Dryer']);
  await act(async () => result.current.redo?.());
  expect(result.current.whole).toBe(false);
  await act(async () => result.current.markStored(3, result.current.diagram));
  expect(result.current.whole).toBe(true);
  expect(await onDevice('own')).toBeUndefined();
});

it('says when the device keeps nothing, and lets go of what stood beside a draft', async () => {
  const { result } = renderHook(() => useDraft('full', { diagram: named('A'), stored: undefined }));
  const full = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new DOMException('no room', 'QuotaExceededError');
  });
  await act(async () => result.current.change(named('B')));
  await act(() => onDevice('full'));
  expect(result.current.kept).toBe(false);
  full.mockRestore();
  await act(async () => result.current.change(named('C')));
  await act(() => onDevice('full'));
  expect(result.current.kept).toBe(true);
  await keepSetting(sheetKey('own-1'), 'a photo');
  await throwDraftAway('full', 'own-1');
  expect(await keptSetting(sheetKey('own-1'))).toBeUndefined();
  expect(await onDevice('full')).toBeUndefined();
});
