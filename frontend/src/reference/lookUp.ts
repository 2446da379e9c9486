import type { Component } from 'vue'
import CodesPage from './CodesPage.vue'
import FitsPage from './FitsPage.vue'
import LengthPage from './LengthPage.vue'
import MediaPage from './MediaPage.vue'
import RingsPage from './RingsPage.vue'
import TorquePage from './TorquePage.vue'

/** Pages to look something up, beside the worked formulas. */
export const LOOK_UP: readonly { question: string; words: string; also: string; page: Component }[] = [
  {
    question: 'look-fits',
    words: 'Limits and fits',
    also: 'ISO 286 zone hole shaft clearance interference',
    page: FitsPage,
  },
  {
    question: 'look-rings',
    words: 'Rings and clearances of bearings',
    also: 'ISO 492 5753 class group tolerance',
    page: RingsPage,
  },
  {
    question: 'look-codes',
    words: 'Codes on bearings',
    also: 'prefix suffix dictionary meaning',
    page: CodesPage,
  },
  {
    question: 'look-media',
    words: 'Rubbers and media',
    also: 'oil water fuel heat cold NBR FKM EPDM',
    page: MediaPage,
  },
  {
    question: 'look-length',
    words: 'Lengths',
    also: 'inch fraction thou millimetre convert',
    page: LengthPage,
  },
  {
    question: 'look-torque',
    words: 'Threads and torque',
    also: 'screw bolt grade class 8.8 10.9 12.9 tighten newton foot pound preload',
    page: TorquePage,
  },
]
