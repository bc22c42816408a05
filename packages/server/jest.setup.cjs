const crypto = require('node:crypto');

// Each query of Sequelize reads the stack of an error that it never throws, and each line of it is looked up in a source
// map: a third of the time of a test.
const mapped = Error.prepareStackTrace;
if (mapped)
  Error.prepareStackTrace = (error, frames) =>
    /sequelize.lib.dialects.sqlite.query/u.test(frames[0]?.getFileName() ?? '')
      ? String(error)
      : mapped(error, frames);

// A guess costs a tenth of a second where it counts; a test makes a dozen. What is kept says the cost that was asked for, and
// the browser tests pay it.
const { scrypt } = crypto;
const LIGHT = 2 ** 8;
crypto.scrypt = (secret, salt, length, { N, ...cost }, done) =>
  scrypt(
    secret,
    Buffer.concat([salt, Buffer.from(String(N))]),
    length,
    { ...cost, N: LIGHT },
    done,
  );
