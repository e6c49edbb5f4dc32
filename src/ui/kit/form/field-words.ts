import type { z } from 'zod';

type Issue = Parameters<z.core.$ZodErrorMap>[0];

/** What is wrong with a field and what to do, in words; a schema's own words go before these. */
export const fieldWords = (issue: Issue): string => {
  switch (issue.code) {
    case 'too_small':
      return issue.origin === 'string' || issue.origin === 'array'
        ? 'This is needed.'
        : `At least ${issue.minimum}${issue.inclusive === false ? ', and more' : ''}.`;
    case 'too_big':
      return issue.origin === 'string'
        ? `At most ${issue.maximum} characters.`
        : `At most ${issue.maximum}${issue.inclusive === false ? ', and less' : ''}.`;
    case 'invalid_format':
      return issue.format === 'date' ? 'A day is needed here.' : 'It is not written as it should be.';
    case 'invalid_value':
      return 'Choose one of these.';
    case 'invalid_type':
      return 'This is needed.';
    default:
      return 'This can’t be taken as it is.';
  }
};
