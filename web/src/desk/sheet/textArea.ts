import type { ComponentPublicInstance } from 'vue';

/** The element in which one types, inside a field for several lines. */
export function textArea(field: ComponentPublicInstance | undefined): HTMLTextAreaElement | null | undefined {
  const e = field?.$el as HTMLElement | undefined;
  return e?.closest('textarea') ?? e?.querySelector('textarea');
}
