/** Accounts and studios: who may sign in, how often they may fail, and in which units they are shown figures. */
package kilnryu.app.account;
