import { useEffect, useState } from 'react';

/** An address as a QR code, large enough for a telephone at arm's length; the address itself stands below it for who has no camera. */
export const QrPicture = ({ address, label }: { readonly address: string; readonly label: string }) => {
  const [picture, setPicture] = useState<string | null>(null);
  useEffect(() => {
    let isOver = false;
    // Only who shows a code loads what draws it.
    void import('qrcode').then(async ({ default: qr }) => {
      const svg = await qr.toString(address, { type: 'svg', margin: 2, errorCorrectionLevel: 'M' });
      if (!isOver) setPicture(`data:image/svg+xml,${encodeURIComponent(svg)}`);
    });
    return () => {
      isOver = true;
    };
  }, [address]);
  return (
    <figure className="grid justify-items-center gap-2">
      <div className="size-60 rounded-md bg-white">
        {picture && <img src={picture} alt={label} className="size-60 rounded-md" data-testid="qr" />}
      </div>
      <figcaption className="max-w-full font-mono text-s break-all">{address}</figcaption>
    </figure>
  );
};
