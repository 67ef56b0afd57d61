/** Said before anything has to wait in this browser. */
export const StorageFull = () => (
  <p className="border-b border-line bg-steel px-5 py-2">
    <b className="text-over">This browser can keep nothing more.</b> What is entered while the server is gone lasts
    until this page is closed: stay on it, or make room in the browser’s storage.
  </p>
);
