-- Progress counts the assembly since this version: every card on the shelf is worked out anew.
UPDATE `builds` SET `judged_seq` = 0;
