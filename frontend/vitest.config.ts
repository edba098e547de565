import { defineConfig } from 'vitest/config';

export default defineConfig({
  // Plain class names, so that pictures made in tests can be styled.
  test: { css: { include: /.+/, modules: { classNameStrategy: 'non-scoped' } } },
});
