import { defineStore } from 'pinia';
import { computed, shallowRef } from 'vue';
import { useDesk } from './desk';
import type { Finding } from '../lib/answers';
import { useFrames } from './frames';
import { useShot } from './shot';
import { useView } from './view';

/** What was measured of the shot: the findings, those of them that are meant to be so, and the one that is looked at. */
export const useProof = defineStore('proof', () => {
  const frames = useFrames();
  const shot = useShot();
  const view = useView();
  const desk = useDesk();
  const chosen = shallowRef<Finding>();

  /** The layer for which a finding is accepted. */
  const foremost = (f: Finding) => f.layers[0] ?? '';
  const isOf = (a: { check: string; layer: string }, f: Finding) =>
    a.check === f.check && a.layer === foremost(f);
  const accepted = computed(() => shot.shot?.accepted ?? []);
  const noteOf = (f: Finding) => accepted.value.find((a) => isOf(a, f));
  const all = computed(() => frames.proof?.findings ?? []);
  const open = computed(() => all.value.filter((f) => !noteOf(f)));
  /** Whether what is seen is of an older revision. */
  const measuring = computed(() => frames.proof?.revision !== shot.view?.revision);
  /** The finding that is marked on the Picture, while it still is one. */
  const marked = computed(() =>
    view.drawer === 'proof' ? all.value.find((f) => same(f, chosen.value)) : undefined,
  );
  const same = (a: Finding, b: Finding | undefined) =>
    a.check === b?.check && a.layers.join() === b.layers.join() && a.from === b.from;

  function look(f: Finding) {
    chosen.value = f;
    if (f.layers[0]) view.choose(f.layers[0]);
    desk.go(f.from);
  }

  function accept(f: Finding, note: string) {
    const value = { check: f.check, layer: foremost(f), note };
    return shot.edit('Accept finding', { patch: [{ op: 'add', path: '/accepted/-', value }] });
  }

  function reopen(f: Finding) {
    const index = accepted.value.findIndex((a) => isOf(a, f));
    return shot.edit('Take up finding', { patch: [{ op: 'remove', path: `/accepted/${index}` }] });
  }

  /** The next open finding after the one that is looked at. */
  function next() {
    const at = open.value.findIndex((f) => same(f, chosen.value));
    const f = open.value[(at + 1) % open.value.length];
    if (f) look(f);
  }

  return { all, open, accepted, noteOf, measuring, marked, look, accept, reopen, next };
});
