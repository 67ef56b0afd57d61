import type { MetadataRoute } from 'next';

/** What a device needs to keep the program as one of its own. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Spatium',
    short_name: 'Spatium',
    description: 'Ring end gaps, piston clearances and ring clocking, at the bench.',
    start_url: '/',
    display: 'standalone',
    background_color: '#f5f4ee',
    theme_color: '#f5f4ee',
    icons: [
      { src: '/icons/icon-192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icons/icon-512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icons/maskable-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  };
}
