export {
  AccessRecord,
  DELETED_KINDS,
  Deleted,
  DeletedParams,
  Invitation,
  InvitationParams,
  Join,
  KEPT_DAYS,
  MAX_PASSPHRASE,
  MIN_PASSPHRASE,
  NewInvitation,
  OwnPassphrase,
  People,
  PersonParams,
  PersonRole,
  ROLES,
  Reach,
  Role,
  Session,
  SessionParams,
  Sessions,
  SignIn,
} from './access';
export type { DeletedKind, Recorded } from './access';
export {
  BoardCard,
  BoardEntry,
  BoardId,
  BoardList,
  BoardParams,
  CreateBoard,
  CutSheetParams,
  Health,
  History,
  MAX_CHANGES,
  MAX_CHANGE_LETTERS,
  ProblemDetails,
  PutAwayList,
  Revision,
  RevisionParams,
  RevisionTitle,
  SavePlan,
  SavedPlan,
  UnreadableBoard,
} from './boards';
export { NewReadings, PLAYED, Play, Sensor, SensorParams, Sensors } from './air';
export type { Played } from './air';
export { Hand, HandChoice, HandParams, HandReadings, Log, LogParams, LogQuery, NewEntries, NewEntriesTaken } from './logbook';
export { Journal, JournalQuery, MAX_DEEDS, NewDeeds } from './bench';
export { LiveEvent, LiveQuery } from './live';
export { MAX_PICTURES_MB, MAX_PICTURE_MB, MAX_PICTURE_PX, Picture, PictureList, PictureParams } from './pictures';
export { CatalogueAnswer, CatalogueChanges, CatalogueSince, Edition } from './catalogue';
export { Customs, EntryBody, EntryParams, EntryPicture, InUse, ManyEntries, OwnList, OwnParams } from './own';
export { NewOffcut, OffcutParams, Rack, RackOffcut } from './rack';
export { Ledger, Move, MoveParams, NewMoves } from './shelf';
export { NewOffers, SHOP_PLAYS, WorkshopState, ShopParams, ShopPlay, ShopTerms, Shops } from './shops';
export type { ShopPlays } from './shops';
