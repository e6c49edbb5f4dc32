/** What a recall found, to be saved: as CSV and as PDF. */
export const RecallDownloads = ({ address }: { readonly address: string }) => (
  <div className="flex flex-wrap gap-2">
    <a className="act-quiet" href={`${address}.csv`} download>
      CSV
    </a>
    <a className="act-quiet" href={`${address}.pdf`} download>
      PDF
    </a>
  </div>
);
