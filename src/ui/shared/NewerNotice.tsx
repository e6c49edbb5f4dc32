import { useSyncExternalStore } from 'react';
import { beginWithNewer, siteIsNewer } from '#client/offline/start-offline.ts';

/** Says that the site is newer than the page. It reloads when it is told to: there may be something in hand. */
export const NewerNotice = () => {
  const isNewer = useSyncExternalStore(siteIsNewer.subscribe, siteIsNewer.snapshot, () => false);
  if (!isNewer) return null;
  return (
    <div
      role="status"
      className="panel fixed right-3 bottom-20 z-30 flex max-w-sm flex-wrap items-center gap-3 p-3 sm:bottom-3"
    >
      <p>The site is newer than this page. What you did is kept and counts on.</p>
      <button type="button" className="act" onClick={beginWithNewer}>
        Begin with the new page
      </button>
    </div>
  );
};
