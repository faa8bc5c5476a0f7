// Runs beside the page, in a worker: says that time has passed.
self.onmessage = (event) => setInterval(() => self.postMessage("pulse"), event.data);
