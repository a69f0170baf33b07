// What is typed into a plain form and not sent stays in this tab: an ended session, a form that had grown old or a lost connection takes
// nothing. Reasons and notes about a child, passwords and files are never kept. Forms that keep answers have a queue of their own.
(() => {
  const scope = document.body.dataset.queueScope;
  const prefix = "umbick.draft ";
  const ownWay = "[data-hx-post], [data-answer-form], [data-sheet-entry], [data-grid], [data-answers], [data-halves], [data-leaves]";
  const left = "[type=password], [type=file], [type=hidden], [data-no-draft]";

  const isPlain = (form) => form?.method === "post" && !form.matches(ownWay);
  const fieldsOf = (form) =>
    [...form.elements].filter((field) => field.name && field.matches("input, select, textarea") && !field.matches(left));
  const isTicked = (field) => field.type === "checkbox" || field.type === "radio";
  const stands = (field) => (isTicked(field) ? `${field.checked}` : field.value);
  const stood = (field) => {
    if (isTicked(field)) return `${field.defaultChecked}`;
    if (field.tagName !== "SELECT") return field.defaultValue;
    return ([...field.options].find((option) => option.defaultSelected) ?? field.options[0])?.value ?? "";
  };
  const put = (field, value) => {
    if (isTicked(field)) field.checked = value === "true";
    else field.value = value;
  };

  // Several forms of one page may go to the same place.
  function keyOf(form) {
    const action = form.getAttribute("action") ?? "";
    const alike = [...document.forms].filter((other) => (other.getAttribute("action") ?? "") === action);
    return `${prefix}${scope} ${location.pathname} ${action} ${alike.indexOf(form)}`;
  }
  const kept = () => Object.keys(sessionStorage).filter((key) => key.startsWith(prefix));
  const read = (key) => JSON.parse(sessionStorage.getItem(key));
  const write = (key, draft) => sessionStorage.setItem(key, JSON.stringify(draft));
  const empty = () => kept().forEach((key) => sessionStorage.removeItem(key));

  function keep(form, sent) {
    const typed = fieldsOf(form)
      .map((field, at) => [at, field])
      .filter(([, field]) => stands(field) !== stood(field))
      .map(([at, field]) => [at, field.name, stands(field)]);
    if (typed.length === 0) sessionStorage.removeItem(keyOf(form));
    else write(keyOf(form), { typed, sent });
  }

  function restore(form) {
    const draft = read(keyOf(form));
    const fields = fieldsOf(form);
    const back = draft?.typed.filter(([at, name, value]) => fields[at]?.name === name && stands(fields[at]) !== value) ?? [];
    if (back.length === 0) return;
    for (const [at, , value] of back) {
      put(fields[at], value);
      for (let fold = fields[at].closest("details"); fold; fold = fold.parentElement.closest("details")) fold.open = true;
    }
    form.before(told(form));
  }

  function told(form) {
    const line = document.createElement("p");
    line.className = "small quiet";
    line.dataset.drafted = "";
    line.dataset.says = "";
    const undo = document.createElement("button");
    Object.assign(undo, { type: "button", className: "as-link", textContent: "Take it out" });
    undo.addEventListener("click", () => {
      for (const field of fieldsOf(form)) put(field, stood(field));
      sessionStorage.removeItem(keyOf(form));
      line.remove();
    });
    line.append("What you typed here before was not sent; it stands here again. ", undo);
    return line;
  }

  // Where somebody else is signed in by now, nothing that was typed is theirs.
  const arrived = performance.getEntriesByType("navigation")[0]?.type === "navigate";
  for (const key of kept()) {
    const draft = read(key);
    if (!scope) write(key, { ...draft, sent: false });
    else if (!key.startsWith(`${prefix}${scope} `) || (draft.sent && arrived)) sessionStorage.removeItem(key);
  }
  if (scope) for (const form of document.forms) if (isPlain(form)) restore(form);

  for (const kind of ["input", "change"])
    document.addEventListener(kind, (event) => {
      if (scope && isPlain(event.target.form)) keep(event.target.form, false);
    });

  document.addEventListener("submit", (event) => {
    const form = event.target;
    if (form.matches("[data-leaves]")) empty();
    if (event.defaultPrevented || !isPlain(form)) return;
    // One press sends once, and says so where the reply is slow.
    if (form.dataset.sending) return event.preventDefault();
    if (scope) keep(form, true);
    form.dataset.sending = "yes";
    const press = event.submitter ?? form.querySelector("button");
    if (!press) return;
    const words = [...press.childNodes];
    const slow = setTimeout(() => press.replaceChildren("Sending…"), 400);
    const again = () => {
      clearTimeout(slow);
      delete form.dataset.sending;
      press.replaceChildren(...words);
    };
    addEventListener("pageshow", again, { once: true });
    // What sends a file leaves the page where it is; what is lost can be pressed again.
    setTimeout(again, 10_000);
  });
})();
