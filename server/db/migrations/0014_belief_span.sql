ALTER TABLE `cell_words` ADD COLUMN IF NOT EXISTS `carry_to_m` double;
