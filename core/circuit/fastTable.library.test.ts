import { LIBRARY } from '../../library/library';
import { testEveryReading } from './testEveryReading';

testEveryReading(LIBRARY);
