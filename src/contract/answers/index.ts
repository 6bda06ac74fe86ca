import type { z } from 'zod'
import { bankAnswers } from './bank'
import { booksAnswers } from './books'
import { buyingAnswers } from './buying'
import { goodsAnswers } from './goods'
import { moneyAnswers } from './money'
import { peopleAnswers } from './people'
import { postAnswers } from './post'
import { promisesAnswers } from './promises'
import { salesAnswers } from './sales'
import { settingsAnswers } from './settings'
import { shopfrontAnswers } from './shopfront'

/** What each call answers when it is carried out, by method and path. */
export const ANSWERS = {
  ...settingsAnswers,
  ...peopleAnswers,
  ...goodsAnswers,
  ...salesAnswers,
  ...buyingAnswers,
  ...moneyAnswers,
  ...promisesAnswers,
  ...postAnswers,
  ...shopfrontAnswers,
  ...booksAnswers,
  ...bankAnswers,
} satisfies Readonly<Record<string, z.ZodType>>

const BY_NAME: ReadonlyMap<string, z.ZodType> = new Map(Object.entries(ANSWERS))

/** What a call answers, by its method and path; none where there is no such call. */
export const answerSchema = (call: string): z.ZodType | undefined => BY_NAME.get(call)
