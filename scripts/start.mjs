// npm start: the application on the shop's own data. `-- --lan` on the shop's network, `-- --https` with a certificate of its own.
import { build, install, serve } from './setup.mjs';

install();
build();
await serve(process.env.DATABASE_URL, process.argv.slice(2));
