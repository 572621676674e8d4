// The machine is shared: a program may take seconds only to start.
jasmine.DEFAULT_TIMEOUT_INTERVAL = 180_000;
