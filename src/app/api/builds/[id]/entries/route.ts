export { GET, POST } from '@/server/entriesRoute';
