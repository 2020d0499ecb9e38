import { ref } from "vue";

export type Theme = "system" | "light" | "dark";
const KEY = "bornek.theme";
const dark = window.matchMedia("(prefers-color-scheme: dark)");

export const theme = ref<Theme>((localStorage.getItem(KEY) as Theme | null) ?? "system");

function paint(): void {
  const shown = theme.value === "system" ? (dark.matches ? "dark" : "light") : theme.value;
  document.documentElement.dataset.theme = shown;
}

/** Follows the system until the mechanic switches. */
export function followTheme(): void {
  dark.addEventListener("change", paint);
  paint();
}

export function useTheme(chosen: Theme): void {
  theme.value = chosen;
  localStorage.setItem(KEY, chosen);
  paint();
}

export function nextTheme(): void {
  const order: Theme[] = ["system", "light", "dark"];
  useTheme(order[(order.indexOf(theme.value) + 1) % order.length] ?? "system");
}
