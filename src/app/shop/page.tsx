import type { Metadata } from 'next';
import QRCode from 'qrcode';
import { requestContext } from '@/people/requestContext';
import { everybody, signedIn } from '@/people/people';
import { serverAddresses } from '@/server/serverAddresses';
import { auditBefore } from '@/store/audit';
import { backupFolder, keptCopies } from '@/store/backup';
import { database, databaseUrl } from '@/store/store';
import { ShopPage } from '@/ui/shop/ShopPage';
import { Header } from '@/ui/shared/Header';

export const metadata: Metadata = { title: 'Shop' };

const LAST = 100;

export default async function Page() {
  const db = await database();
  const { hasPeople, headers } = requestContext();
  const { urls, fingerprint, certificate } = serverAddresses();
  const codes = await Promise.all(urls.map((url) => QRCode.toString(url, { type: 'svg', margin: 1 })));
  return (
    <>
      <Header />
      <main id="main" tabIndex={-1} className="mx-auto max-w-6xl px-6 py-6">
        <ShopPage
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
