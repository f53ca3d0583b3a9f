import { ScrollViewStyleReset } from 'expo-router/html';
import type { PropsWithChildren } from 'react';

/** Sets the theme before the first paint, from the one setting kept in localStorage for it. Its hash is in the server's policy. */
const THEME = `(function(){try{var t=localStorage.getItem('ovalis-theme')||'system';var d=t==='night'||(t==='system'&&matchMedia('(prefers-color-scheme: dark)').matches);document.documentElement.classList.toggle('dark',d)}catch(e){}})()`;

/**
 * An address with a slash or an ending behind it is another page's to the router, which would draw it over this one: it is
 * gone to by its own name. A server may do so too; a page out of the service worker's store has none.
 */
const ADDRESS = `(function(){var p=location.pathname,q=p.replace(/\\/index\\.html$/,'/').replace(/\\.html$/,'').replace(/(.)\\/+$/,'$1');if(q!==p&&p!=='/+not-found.html')location.replace(q+location.search+location.hash)})()`;

/** Says which kitchen this page shows before it is drawn: the choir's is marked, and nothing moves when the rooms come. */
const KITCHEN = `(function(){try{var s=localStorage,k=s.getItem('ovalis-kitchen')||(s.getItem('ovalis-kept')?'own':location.pathname==='/'?'':'choir');if(k==='choir')document.documentElement.classList.add('choir')}catch(e){}})()`;

/** Whoever has a kitchen here goes on in the room that was open: the first page is never seen on the way. */
const PLACE = `(function(){try{if(location.pathname!=='/'||/welcome/.test(location.search))return;var s=localStorage,k=s.getItem('ovalis-kitchen')||(s.getItem('ovalis-kept')&&'own');if(k)location.replace(s.getItem('ovalis-place'+(k==='own'?'':'-'+k))||'/plan')}catch(e){}})()`;

export default function Root({ children }: PropsWithChildren) {
  return (
    <html lang="en">
      <head>
        <meta charSet="utf-8" />
        <meta httpEquiv="X-UA-Compatible" content="IE=edge" />
        <meta name="viewport" content="width=device-width, initial-scale=1, viewport-fit=cover" />
        <meta name="theme-color" content="#D3E3D6" media="(prefers-color-scheme: light)" />
        <meta name="theme-color" content="#180E1B" media="(prefers-color-scheme: dark)" />
        <meta name="description" content="Measures, times and judges puddings thickened with starch." />
        <link rel="icon" href="/icon.svg" type="image/svg+xml" />
        <link rel="manifest" href="/manifest.webmanifest" />
        <link rel="apple-touch-icon" href="/icons/any-192.png" />
        <link rel="preload" href="/fonts/sansita-700.woff2" as="font" type="font/woff2" crossOrigin="anonymous" />
        <link rel="preload" href="/fonts/signika-400.woff2" as="font" type="font/woff2" crossOrigin="anonymous" />
        <link rel="preload" href="/fonts/signika-600.woff2" as="font" type="font/woff2" crossOrigin="anonymous" />
        <ScrollViewStyleReset />
        <script dangerouslySetInnerHTML={{ __html: ADDRESS }} />
        <script dangerouslySetInnerHTML={{ __html: PLACE }} />
        <script dangerouslySetInnerHTML={{ __html: KITCHEN }} />
        <script dangerouslySetInnerHTML={{ __html: THEME }} />
      </head>
      <body>{children}</body>
    </html>
  );
}
