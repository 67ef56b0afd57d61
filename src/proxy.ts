/**
 * In front of every request: a content security policy with a nonce for each page, and no writing from
 * other sites' pages.
 */
import { type NextRequest, NextResponse } from 'next/server';

const READING = new Set(['GET', 'HEAD', 'OPTIONS']);

function fromElsewhere(request: NextRequest): boolean {
  const origin = request.headers.get('origin');
  if (origin === null) return false;
  return !URL.canParse(origin) || new URL(origin).host !== request.headers.get('host');
}

function policy(nonce: string): string {
  const script =
    process.env.NODE_ENV === 'development'
      ? `'self' 'nonce-${nonce}' 'unsafe-eval'`
      : `'self' 'nonce-${nonce}' 'strict-dynamic'`;
  return [
    "default-src 'self'",
    `script-src ${script}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}

export function proxy(request: NextRequest): NextResponse {
  if (!READING.has(request.method) && fromElsewhere(request))
    return NextResponse.json({ faults: ['This request came from another site and was refused.'] }, { status: 403 });
  const nonce = btoa(crypto.randomUUID());
  const csp = policy(nonce);
  const headers = new Headers(request.headers);
  headers.set('content-security-policy', csp);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', csp);
  return response;
}

export const config = { matcher: ['/((?!_next/static|_next/image|icon.svg|icons/|sw.js).*)'] };
