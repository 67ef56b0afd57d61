/** In front of every page: a content security policy with a nonce of its own. What is refused outright is in `src/server`. */
import { type NextRequest, NextResponse } from 'next/server';

function policy(nonce: string): string {
  const script =
    process.env.NODE_ENV === 'development'
      ? `'self' 'nonce-${nonce}' 'unsafe-eval'`
      : `'self' 'nonce-${nonce}' 'strict-dynamic'`;
  return [
    "default-src 'self'",
    `script-src ${script}`,
    // style elements need the nonce; attributes are how React writes a style that is worked out
    `style-src 'self' 'nonce-${nonce}'`,
    "style-src-attr 'unsafe-inline'",
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
  const nonce = btoa(crypto.randomUUID());
  const csp = policy(nonce);
  const headers = new Headers(request.headers);
  headers.set('content-security-policy', csp);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', csp);
  return response;
}

/** Pages alone: what answers a request to `/api` is no page, and bodies sent there are not held up here. */
export const config = { matcher: ['/((?!api/|_next/static|_next/image|icon.svg|icons/|sw.js).*)'] };
