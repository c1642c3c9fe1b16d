import { put } from '../logbook';
import { springMaterialSchema, type SpringMaterial } from '../springSet/springMaterial.schema';
import { keptWords, type ShopKind } from './kind';

/** What the springs of this shop are made of. */
export const springMaterial: ShopKind<'spring-material', SpringMaterial> = {
  body: springMaterialSchema,
  fold: (draft, { body }) => {
    draft.springMaterials = put(draft.springMaterials, body);
  },
  words: ({ name, retired }) => keptWords('Spring material', name, retired),
  bears: false,
};
