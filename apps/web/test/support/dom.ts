import { configure } from '@testing-library/dom';

// a failed query says what it looked for; the whole page with it buries that
configure({ getElementError: (message) => new Error(message?.split('\n')[0] ?? 'not found') });
