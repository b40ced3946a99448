/** Lets a script run as the page carries it in its head: it finds nothing but the document. */
export function runInHead(text: string): void {
  const script = document.createElement('script');
  script.textContent = text;
  document.head.append(script);
  script.remove();
}
