import { configure } from '@testing-library/react';

/** A lazy part of a screen is compiled when it is first asked for; on a loaded machine that takes seconds. */
configure({ asyncUtilTimeout: 15_000 });
