/** The number a field stands for: a plain one, or one that the server worked out of constants, as in 7/2; else null. */
export function amount(field) {
  const text = field?.value.trim() ?? '';
  if (/^-?\d+([.,]\d+)?$/.test(text)) return Number(text.replace(',', '.'));
  return field?.dataset.amount !== undefined && field.value === field.defaultValue ? Number(field.dataset.amount) : null;
}
