import type { Metadata } from 'next';
import { SignIn } from '@/ui/people/SignIn';
import { Header } from '@/ui/shared/Header';

export const metadata: Metadata = { title: 'Sign in · Spatium' };
export const dynamic = 'force-dynamic';

export default async function SignInPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | undefined>>;
}) {
  const { to, barred } = await searchParams;
  return (
    <>
      <Header />
      <SignIn to={to ?? '/'} isBarred={barred === '1'} />
    </>
  );
}
