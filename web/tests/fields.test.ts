import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import ColourField from '../src/fields/ColourField.vue';
import NumberField from '../src/fields/NumberField.vue';

describe('a number', () => {
  const make = (props: object = {}) =>
    mount(NumberField, { props: { value: 100, label: 'Size', least: 0, most: 200, ...props } });

  it('takes a typed sum and keeps to its range', async () => {
    const field = make();
    const input = field.get('input');
    await input.trigger('focus');
    await input.setValue('1920/16');
    await input.trigger('blur');
    expect(field.emitted('commit')).toEqual([[120]]);
    await input.trigger('focus');
    await input.setValue('999');
    await input.trigger('blur');
    expect(field.emitted('commit')?.[1]).toEqual([200]);
  });

  it('goes back to what it was when nonsense is typed', async () => {
    const field = make();
    const input = field.get('input');
    await input.trigger('focus');
    await input.setValue('wide');
    await input.trigger('blur');
    expect(field.emitted('commit')).toBeUndefined();
    expect(input.element.value).toBe('100');
  });

  it('steps with the arrow keys, by ten with Shift', async () => {
    const field = make();
    await field.get('input').trigger('keydown', { key: 'ArrowUp' });
    await field.get('input').trigger('keydown', { key: 'ArrowDown', shiftKey: true });
    expect(field.emitted('commit')).toEqual([[101], [91]]);
  });
});

describe('a colour', () => {
  it('is typed with or without its sign, and keeps its alpha when picked', async () => {
    const field = mount(ColourField, { props: { value: '#11223380', label: 'Fill' } });
    await field.get('.hex').setValue('ffeedd');
    expect(field.emitted('commit')).toEqual([['#ffeedd']]);
    await field.get('input[type=color]').setValue('#445566');
    expect(field.emitted('draft')?.[0]).toEqual(['#44556680']);
  });

  it('shows colours beyond eight bits as the nearest code', () => {
    const field = mount(ColourField, { props: { value: [1, 0.5, 0, 1], label: 'Fill' } });
    expect((field.get('.hex').element as HTMLInputElement).value).toBe('#ff8000');
  });
});
