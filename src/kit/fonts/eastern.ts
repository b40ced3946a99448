// Han, Hangul and kana: a browser fetches only the slices whose signs stand on the page.
import '@fontsource-variable/noto-sans-jp';
import '@fontsource-variable/noto-sans-kr';
import '@fontsource-variable/noto-sans-sc';
