export const MARKS_SENTENCES = {
  'mark.stable': '{zone}: as a vet has seen it, no change. Measure it again next time; never squeeze it.',
  'mark.new_small': '{zone}: new, small, smooth and round. Measure it again next time; never squeeze it.',
  'mark.bigger': '{zone}: bigger, {was_size} before and {size} now. Show it to the vet.',
  'mark.surface_changed': '{zone}: its surface has changed, {was_surface} before and {surface} now. Show it to the vet.',
  'mark.border_changed': '{zone}: its border has become irregular. Show it to the vet.',
  'mark.quick': '{zone}: its area doubles in about {days}. Show it to the vet within days.',
  'mark.open': '{zone}: {surface}. Show it to the vet within days.',
  'mark.beside_anus': '{zone}: a swelling there is for the vet within days.',
  'mark.one_centimetre': '{zone}: {mm} mm or more, and no vet has seen it. Show it.',
  'mark.stays': '{zone}: still there after {days}, and no vet has seen it. Show it.',
  'mark.irregular': '{zone}: an irregular border that no vet has seen. Show it.',
  'mark.surface': '{zone}: {surface}, and no vet has seen it. Show it.',
} as const;
