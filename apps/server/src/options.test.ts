import { readOptions } from './options';

test('what is given is read; what is not has its default', () => {
  expect(readOptions(['--port', '0', '--demo'])).toMatchObject({
    port: 0,
    host: '127.0.0.1',
    demo: true,
    simulate: ['scale', 'room', 'probe', 'thermometer'],
  });
});

test('nothing is simulated unless it is named', () => {
  expect(readOptions([]).simulate).toEqual([]);
  expect(readOptions(['--simulate', 'probe, scale']).simulate).toEqual(['probe', 'scale']);
});

test.each([
  [['--colour', 'red'], /“--colour” is not an option/],
  [['--demos'], /“--demos” is not an option/],
  [['kitchen'], /“kitchen” is not an option/],
  [['--port', 'x'], /--port must be a whole number up to 65535/],
  [['--port', '70000'], /--port must be a whole number/],
  [['--port'], /--port.*is given without what it needs/],
  [['--demo=yes'], /--demo is given without what it needs, or with too much/],
  [['--simulate', 'toaster'], /--simulate takes scale, room, probe, thermometer/],
])('%j is refused in one sentence', (args, words) => {
  expect(() => readOptions(args)).toThrow(words);
});
