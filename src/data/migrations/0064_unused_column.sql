-- Nothing ever wrote or read it.
ALTER TABLE "sale" DROP COLUMN "late_from";