import { assume } from './assume';

// A worker's name is there before its first line runs: the modules that come after this one are loaded with the number.
assume(self.name);
