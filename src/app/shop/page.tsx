import type { Metadata } from 'next';
import QRCode from 'qrcode';
import { asker } from '@/people/asking';
import { everybody, signedIn } from '@/people/people';
import { whereReached } from '@/server/reached';
import { auditBefore } from '@/store/audit';
import { backupFolder, keptCopies } from '@/store/backup';
import { database, databaseUrl } from '@/store/store';
import { ShopRoom } from '@/ui/shop/ShopRoom';
import { Header } from '@/ui/shared/Header';

export const metadata: Metadata = { title: 'Shop' };

const LAST = 100;

export default async function Page() {
  const db = await database();
  const { hasPeople, headers } = asker();
  const { urls, fingerprint, certificate } = whereReached();
  const codes = await Promise.all(urls.map((url) => QRCode.toString(url, { type: 'svg', margin: 1 })));
  return (
    <>
      <Header />
      <main id="main" tabIndex={-1} className="mx-auto max-w-6xl px-6 py-6">
        <ShopRoom
          hasPeople={hasPeople}
          people={await everybody(db)}
          places={await signedIn(db, headers.get('cookie') ?? '')}
          reached={urls.map((url, i) => ({ url, code: codes[i] ?? '' }))}
          fingerprint={fingerprint}
          certificate={certificate}
          audit={await auditBefore(db, null, LAST)}
          copies={keptCopies(backupFolder(databaseUrl()))}
        />
      </main>
    </>
  );
}
