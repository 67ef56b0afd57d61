import type { Metadata } from 'next';
import { quarantinedInShop } from '@/store/quarantine';
import { archivedItems } from '@/store/archived';
import { freshenInBackground } from '@/server/background';
import { database } from '@/store/store';
import { ArchivedPage } from '@/ui/archived/ArchivedPage';
import { Header } from '@/ui/shared/Header';

export const metadata: Metadata = { title: 'Archive' };

export default async function Page({ searchParams }: { searchParams: Promise<Record<string, string | undefined>> }) {
  const { came } = await searchParams;
  const db = await database();
  return (
    <>
      <Header />
      <main id="main" tabIndex={-1} className="mx-auto max-w-4xl px-6 py-6">
        <ArchivedPage
          isLedHere={came === '1'}
          archived={await archivedItems(db, freshenInBackground)}
          quarantined={await quarantinedInShop(db)}
        />
      </main>
    </>
  );
}
