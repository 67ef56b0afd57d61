/** What goes with every answer, whoever gives it. */
export const HEADERS = {
  'X-Content-Type-Options': 'nosniff',
  'X-Frame-Options': 'DENY',
  'Referrer-Policy': 'no-referrer',
  'Permissions-Policy': 'camera=(), geolocation=(), microphone=()',
  'Cross-Origin-Opener-Policy': 'same-origin',
} as const;

/** Of what is no page: shown by itself it runs nothing, loads nothing and is framed by nobody. */
export const API_POLICY = "default-src 'none'; frame-ancestors 'none'; sandbox";
