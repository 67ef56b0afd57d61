import type { Metadata } from 'next';
import { asideOfShop } from '@/store/aside';
import { drawerOf } from '@/store/drawer';
import { freshenInBackground } from '@/server/background';
import { database } from '@/store/store';
import { DrawerRoom } from '@/ui/drawer/DrawerRoom';
import { Header } from '@/ui/shared/Header';

export const metadata: Metadata = { title: 'Drawer' };

export default async function Page({ searchParams }: { searchParams: Promise<Record<string, string | undefined>> }) {
  const { came } = await searchParams;
  const db = await database();
  return (
    <>
      <Header />
      <main id="main" tabIndex={-1} className="mx-auto max-w-4xl px-6 py-6">
        <DrawerRoom
          isLedHere={came === '1'}
          drawer={await drawerOf(db, freshenInBackground)}
          aside={await asideOfShop(db)}
        />
      </main>
    </>
  );
}
