import type { z } from 'zod'
import { booksAnswers } from './books'
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
  ...moneyAnswers,
  ...promisesAnswers,
  ...postAnswers,
  ...shopfrontAnswers,
  ...booksAnswers,
} satisfies Readonly<Record<string, z.ZodType>>
