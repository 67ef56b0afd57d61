import type { Metadata } from 'next';
import { keptInstruments } from '@/store/instruments';
import { database } from '@/store/store';
import { InstrumentList } from '@/ui/instruments/InstrumentList';
import { Header } from '@/ui/shared/Header';

export const metadata: Metadata = { title: 'Tools' };

export default async function Page() {
  return (
    <>
      <Header />
      <main id="main" tabIndex={-1} className="mx-auto max-w-6xl px-6 py-6">
        <InstrumentList instruments={await keptInstruments(await database())} today={new Date().toISOString()} />
      </main>
    </>
  );
}
