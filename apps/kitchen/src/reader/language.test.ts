import { languageFor } from './language';

const offered = ['en', 'es'];

test('the chosen language, else the first that the browser asks for and there is', () => {
  expect(languageFor('es', ['en-GB'], offered)).toBe('es');
  expect(languageFor(null, ['fr-FR', 'es-MX', 'en-US'], offered)).toBe('es');
  expect(languageFor(null, ['en-US', 'es-MX'], offered)).toBe('en');
  expect(languageFor(null, ['fr-FR'], offered)).toBe('en');
  expect(languageFor('pt-BR', ['es'], offered)).toBe('en');
});
