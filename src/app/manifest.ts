import type { MetadataRoute } from 'next';

/** What a phone or a desk needs to install it. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Pit Bell',
    short_name: 'Pit Bell',
    description: 'Levels, controls and proof of pumped pits',
    start_url: '/',
    display: 'standalone',
    background_color: '#F4F0E8',
    theme_color: '#1D2B33',
    icons: [
      { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' },
    ],
  };
}
