import { LIBRARY } from '../../library/library';
import { sampled } from '../../library/sampled';
import { SEED, testEveryReading } from './testEveryReading';

testEveryReading(process.env.YARRIX_ALL === '1' ? LIBRARY : sampled(9, SEED));
