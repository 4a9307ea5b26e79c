export { writeCsv } from '@wire-trail/core';
