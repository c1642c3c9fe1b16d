/** Said under every caution. */
export const deferral = 'Follow your local rules, and a qualified person where one is required.';

/** Hazards of the work, by id. Texts are the usual cautions of the trade, not a substitute for local rules. */
export const cautions = {
  flame: 'Open flame and hot metal: extinguisher to hand, bench clear, hair and sleeves tied back.',
  solder: 'Old solder may hold lead or cadmium: use extraction, wash hands, no eating at the bench.',
  solvent: 'Lacquer, solvent and penetrating oil: ventilate, no flame near, gloves, follow the waste rules.',
  adhesive: 'Two-part and instant adhesives: keep off skin and eyes, mind the fumes.',
  buffing:
    'Buffing wheel: eye protection, no gloves or loose clothing, hold the work below centre, keep clear of springs.',
  cutter: 'Rotary cutters and lathe: eye protection, no loose sleeves, work held fast, let it stop by itself.',
  dust: 'Dust of dense woods, bone, shell, old felt and plating: extraction and a mask; several of them sensitise.',
  leakLight: 'Use the leak tester, not your lungs. Never suck or blow through an instrument that has not been cleaned.',
  spring: 'Needle springs: mind your eyes.',
  oven: 'Oven and lamp: never leave them on unattended.',
  residue: 'Older and museum pieces may carry mercury, arsenic or pesticide: gloves, no dry brushing, ask before work.',
  hygiene: 'Another player has used this: clean and disinfect before it goes near a mouth.',
  protected: 'Ivory, tortoiseshell and some rosewoods are regulated: check the law before work, sale or transport.',
  finish: 'Heat may burn old lacquer or plating: tell the owner before, shield the finish.',
} as const;
export type CautionId = keyof typeof cautions;
