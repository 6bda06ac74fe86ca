'use client'
import dynamic from 'next/dynamic'

/** The fields of a list, fetched where a list has some: days and amounts bring their arithmetic with them. */
export const LazyFilters = dynamic(() => import('./ListFilters').then((m) => m.ListFilters))
