/** The same walks as among the tests, on as many drawn seats as it takes. */
import '../core/walk.test';
