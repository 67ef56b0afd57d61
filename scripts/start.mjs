// npm start: the application on the shop's own data. `-- --lan` on the shop's network, `-- --https` with a certificate of its own.
import { build, install, serve, helpIfAsked } from './setup.mjs';

helpIfAsked(`npm start                 the application on the shop's own data
npm start -- --lan        on the shop's network too; needs people to be set up
npm start -- --https      over https, with a certificate of its own

Settings (PORT, HOST, DATABASE_URL …) are in README.md. Ctrl+C ends it.`);
install();
build();
await serve(process.env.DATABASE_URL, process.argv.slice(2));
