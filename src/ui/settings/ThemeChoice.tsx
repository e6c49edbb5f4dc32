import { useState } from 'react';

const THEMES = [
  { id: 'auto', name: 'as the device' },
  { id: 'light', name: 'paper' },
  { id: 'dark', name: 'night shift' },
] as const;
const YEAR_SECONDS = 31_536_000;

/** Light, dark, or as the device has it; kept in a cookie so that the server paints the page right at once. */
export const ThemeChoice = ({ first }: { readonly first: string }) => {
  const [theme, setTheme] = useState(first);
  const choose = (id: string): void => {
    setTheme(id);
    // biome-ignore lint/suspicious/noDocumentCookie: the cookie store is missing on plain http
    document.cookie = `jentik_theme=${id}; path=/; max-age=${YEAR_SECONDS}; samesite=strict`;
    if (id === 'auto') document.documentElement.removeAttribute('data-theme');
    else document.documentElement.dataset['theme'] = id;
  };
  return (
    <fieldset className="flex flex-wrap gap-2">
      <legend className="mb-1">Look</legend>
      {THEMES.map(({ id, name }) => (
        <label key={id} className="act-quiet has-checked:border-layout has-checked:font-bold">
          <input
            type="radio"
            name="theme"
            className="accent-layout"
            checked={theme === id}
            onChange={() => choose(id)}
          />{' '}
          {name}
        </label>
      ))}
    </fieldset>
  );
};
