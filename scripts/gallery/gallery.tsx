import { createRoot } from 'react-dom/client';
import './gallery.css';
import { PARTS } from './parts.tsx';

// One page for developers: `?part=NAME&theme=dark` shows one part in all its states; without a part, every part in both themes at three sizes.

const SIZES = [1280, 768, 390] as const;
const THEMES = ['light', 'dark'] as const;
const FRAME_PX = 620;

const asked = new URLSearchParams(window.location.search);
const theme = asked.get('theme');
if (theme) document.documentElement.dataset['theme'] = theme;

const States = ({ name }: { readonly name: string }) => (
  <div className="grid gap-8 p-5">
    {Object.entries(PARTS[name] ?? {}).map(([state, shown]) => (
      <section key={state} data-state={state}>
        <h2 className="mb-2 text-s text-faint">
          {name}, {state}
        </h2>
        {shown}
      </section>
    ))}
  </div>
);

const Everything = () => (
  <div className="grid gap-8 p-5">
    <h1 className="text-xl font-bold">The parts of the kit</h1>
    <nav className="flex flex-wrap gap-3">
      {Object.keys(PARTS).map((name) => (
        <a key={name} href={`#${name}`}>
          {name}
        </a>
      ))}
    </nav>
    {Object.keys(PARTS).map((name) => (
      <section key={name} id={name}>
        <h2 className="mb-2 text-l font-bold">
          <a href={`?part=${name}`}>{name}</a>
        </h2>
        <div className="flex gap-4 overflow-x-auto">
          {THEMES.flatMap((each) =>
            SIZES.map((width) => (
              <iframe
                key={`${each}${width}`}
                title={`${name}, ${each}, ${width} pixels`}
                src={`?part=${name}&theme=${each}`}
                width={width}
                height={FRAME_PX}
                loading="lazy"
                className="shrink-0 rounded border border-rule"
              />
            )),
          )}
        </div>
      </section>
    ))}
  </div>
);

const root = document.getElementById('parts');
const part = asked.get('part');
if (root) createRoot(root).render(part ? <States name={part} /> : <Everything />);
