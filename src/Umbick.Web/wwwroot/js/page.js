// What holds on every page of an adult's: the list of keys, the next thing to do, a child found by a few letters.
(() => {
  const main = document.getElementById("main");
  const typing = (target) => target.matches?.("input, select, textarea");
  const seen = (element) => element.checkVisibility() && !element.disabled;
  // What ends, sends or erases is pressed on purpose, and by no key of its own.
  const next = () => [...document.querySelectorAll("main .press-next")].find(seen);
  const isCareful = (press) => press.closest("[data-careful]") !== null;

  // What was refused is told beside its field, which has the focus.
  const refusal = [...(main?.querySelectorAll("[role=alert]") ?? [])].find((alert) => alert.textContent.trim());
  const refused =
    refusal && (refusal.closest("form") ?? (main.querySelectorAll("form[method=post]").length === 1 && main.querySelector("form")));
  const wrong = refused && [...refused.elements].find((field) => field.matches("input:not([type=hidden]), textarea, select"));
  if (wrong) {
    refusal.id ||= "refusal";
    wrong.setAttribute("aria-invalid", "true");
    wrong.setAttribute("aria-describedby", [wrong.getAttribute("aria-describedby"), refusal.id].filter(Boolean).join(" "));
    wrong.focus();
  }

  // Where nothing is to be typed or chosen, the next thing to do has the focus: Enter does it.
  const press = next();
  const asks = (form) => form?.querySelector("select, textarea, input:not([type=hidden], [type=radio], [type=checkbox])");
  if (press && !wrong && !location.hash && !document.querySelector("[autofocus]") && !isCareful(press) && !asks(press.form)) {
    press.focus({ preventScroll: true, focusVisible: true });
  }

  // Single keys can be in the way of somebody who speaks to their device: they are switched off there.
  const off = "umbick.single-keys-off";
  const singleKeys = () => localStorage.getItem(off) === null;
  const show = () => {
    const told = document.querySelector("[data-single-keys]");
    if (told) told.textContent = singleKeys() ? "Switch ? and / off on this device" : "Switch ? and / on again on this device";
  };
  show();

  let from = null;
  function open(id) {
    const dialog = document.getElementById(id);
    if (!dialog) return false;
    if (!dialog.matches(":popover-open")) from = document.activeElement;
    dialog.togglePopover();
    return true;
  }

  document.addEventListener("click", (event) => {
    if (!event.target.closest?.("[data-single-keys]")) return;
    if (singleKeys()) localStorage.setItem(off, "yes");
    else localStorage.removeItem(off);
    show();
  });

  document.addEventListener("keydown", (event) => {
    if (event.key === "Enter" && event.ctrlKey && !event.repeat) {
      const now = next();
      if (!now) return;
      event.preventDefault();
      event.stopPropagation();
      if (isCareful(now)) now.focus();
      else now.click();
      return;
    }
    if (event.ctrlKey || event.metaKey || event.altKey || typing(event.target) || !singleKeys()) return;
    if ((event.key === "?" && open("keys")) || (event.key === "/" && open("finder"))) event.preventDefault();
  });

  // What is opened over the page takes the focus, and gives it back to where it was.
  for (const dialog of document.querySelectorAll("[popover]")) {
    dialog.addEventListener("toggle", (event) => {
      if (event.newState === "open") (dialog.querySelector("[autofocus], input") ?? dialog).focus();
      else if (dialog.contains(document.activeElement) || document.activeElement === document.body) (from ?? main)?.focus();
    });
  }

  // A page of the teacher's that the browser would keep for its Back button is emptied as it is left, and fetched again when it
  // is come back to: once the device is with a child, nothing of the teacher's is left in it.
  addEventListener("pagehide", (event) => {
    if (event.persisted) document.body.replaceChildren();
  });
  addEventListener("pageshow", (event) => {
    if (event.persisted) location.reload();
  });
})();
