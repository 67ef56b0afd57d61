/** Fills the demo database: an invented workshop with invented engines. */
import { createBuild } from '../src/store/builds';
import { database } from '../src/store/store';
import { demoRecords } from './demoRecords';
import { seedCharts } from './seedCharts';

const db = await database();
for (const record of demoRecords()) await createBuild(db, record);
await seedCharts(db);
db.$client.close();
