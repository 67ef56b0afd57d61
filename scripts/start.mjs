// npm start: the application on the shop's own data.
import { build, install, serve } from './setup.mjs';

install();
build();
await serve(process.env.DATABASE_URL);
